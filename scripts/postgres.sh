# A private PostgreSQL cluster below the run folder, on loopback only.
PG_DATA=$HOME_DIR/postgres
PG_SETTINGS=$HOME_DIR/postgres.env

pg_bin() {
  local bin
  bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  [ -x "$bin/initdb" ] || fail "PostgreSQL's server programs were not found below /usr/lib/postgresql."
  echo "$bin"
}

# PostgreSQL refuses to run as root: there it runs as the user postgres.
pg_user() {
  if [ "$(id -u)" -eq 0 ]; then
    setpriv --reuid postgres --regid postgres --clear-groups "$@"
  else
    "$@"
  fi
}

free_port() {
  python3 - 2>/dev/null <<'PY' || echo $((20000 + RANDOM % 20000))
import socket
s = socket.socket(); s.bind(("127.0.0.1", 0)); print(s.getsockname()[1])
PY
}

# The postmaster of our data folder, if it is alive: a killed one may linger as a zombie or leave its pid file.
pg_pid() {
  local pid
  pid=$(head -n 1 "$PG_DATA/postmaster.pid" 2>/dev/null) || return 1
  [ -n "$pid" ] && [ -r "/proc/$pid/stat" ] || return 1
  [ "$(awk '{print $3}' "/proc/$pid/stat")" != Z ] || return 1
  tr '\0' ' ' <"/proc/$pid/cmdline" | grep -q postgres || return 1
  echo "$pid"
}

start_postgres() {
  local bin
  bin=$(pg_bin)
  mkdir -p "$HOME_DIR"
  if [ ! -f "$PG_DATA/embrick-ready" ]; then
    rm -rf "$PG_DATA"
    mkdir -p "$PG_DATA"
    local password
    password=$(head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9')
    printf 'EMBRICK_DB_PORT=%s\nEMBRICK_DB_PASSWORD=%s\n' "$(free_port)" "$password" >"$PG_SETTINGS"
    chmod 600 "$PG_SETTINGS"
    printf '%s' "$password" >"$PG_DATA.pw"
    if [ "$(id -u)" -eq 0 ]; then chown postgres "$PG_DATA" "$PG_DATA.pw"; fi
    chmod 700 "$PG_DATA"
    reachable_by_postgres
    (cd / && pg_user "$bin/initdb" -D "$PG_DATA" -U embrick --pwfile="$PG_DATA.pw" -A scram-sha-256 -E UTF8 \
      --locale=C.UTF-8 >"$HOME_DIR/initdb.log" 2>&1) || fail "initdb failed; see $HOME_DIR/initdb.log"
    rm -f "$PG_DATA.pw"
    touch "$PG_DATA/embrick-ready"
  fi
  . "$PG_SETTINGS"
  if ! pg_pid >/dev/null; then
    rm -f "$PG_DATA/postmaster.pid"
    (cd / && pg_user "$bin/pg_ctl" -D "$PG_DATA" -l "$PG_DATA/server.log" -w -t 60 -o \
      "-c listen_addresses=127.0.0.1 -c port=$EMBRICK_DB_PORT -c unix_socket_directories=''" start >/dev/null) \
      || fail "PostgreSQL did not start; see $PG_DATA/server.log"
  fi
  export EMBRICK_DB_URL="jdbc:postgresql://127.0.0.1:$EMBRICK_DB_PORT/embrick"
  export EMBRICK_DB_USER=embrick EMBRICK_DB_PASSWORD
  PGPASSWORD=$EMBRICK_DB_PASSWORD psql -h 127.0.0.1 -p "$EMBRICK_DB_PORT" -U embrick -d postgres -tAc \
    "select 1 from pg_database where datname = 'embrick'" | grep -q 1 \
    || PGPASSWORD=$EMBRICK_DB_PASSWORD createdb -h 127.0.0.1 -p "$EMBRICK_DB_PORT" -U embrick embrick
}

# As root the cluster belongs to postgres, who must be able to walk to it.
reachable_by_postgres() {
  [ "$(id -u)" -eq 0 ] || return 0
  pg_user test -x "$HOME_DIR" && return 0
  fail "the user postgres cannot reach $HOME_DIR: set EMBRICK_HOME to a folder that others may enter."
}

stop_postgres() {
  local pid
  pid=$(pg_pid) || return 0
  kill -INT "$pid"
  for _ in $(seq 100); do
    pg_pid >/dev/null || return 0
    sleep 0.1
  done
  fail "PostgreSQL (process $pid) did not stop."
}
