# Shared by all of ./embrick's parts.
say() { printf 'embrick: %s\n' "$*"; }
fail() {
  printf 'embrick: %s\n' "$*" >&2
  exit 1
}

# Finds a JDK 25 or newer and sets JAVA_HOME.
need_jdk() {
  local home
  for home in "${JAVA_HOME:-}" /usr/lib/jvm/*25* /usr/lib/jvm/* /opt/*jdk*; do
    [ -n "$home" ] && [ -x "$home/bin/javac" ] || continue
    if "$home/bin/javac" -version 2>&1 | grep -qE '^javac (2[5-9]|[3-9][0-9])'; then
      export JAVA_HOME=$home
      export PATH="$JAVA_HOME/bin:$PATH"
      return
    fi
  done
  fail "a JDK 25 or newer is needed and none was found: install one and set JAVA_HOME to its folder."
}

run_maven() {
  command -v mvn >/dev/null || fail "Maven is needed: install the Debian package maven."
  command -v npm >/dev/null || fail "Node.js 20 with npm is needed: install nodejs and npm."
  mvn -B -ntp "$@"
}
