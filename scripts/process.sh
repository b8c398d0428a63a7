# Processes of ours, told from all others by the moment they began: a number alone is given to another process in time.

# began PID: the clock tick since boot at which a process began; nothing if it is not there or only waits to be collected.
began() {
  local stat
  stat=$(cat "/proc/$1/stat" 2>/dev/null) || return 1
  # The name in parentheses may hold anything; the state follows it, the start is the 22nd field (proc(5)).
  stat=${stat##*) }
  # shellcheck disable=SC2086
  set -- $stat
  [ "$1" != Z ] || return 1
  echo "${20}"
}

# note_process NAME PID: remembers a process in NAME.pid and its beginning in NAME.began.
note_process() {
  began "$2" >"$HOME_DIR/$1.began" || return 1
  echo "$2" >"$HOME_DIR/$1.pid"
}

# running NAME: the process that was noted, if it is still that one.
running() {
  local pid noted
  pid=$(cat "$HOME_DIR/$1.pid" 2>/dev/null) && [ -n "$pid" ] || return 1
  noted=$(cat "$HOME_DIR/$1.began" 2>/dev/null) && [ -n "$noted" ] || return 1
  [ "$(began "$pid")" = "$noted" ] || return 1
  echo "$pid"
}

forget_process() { rm -f "$HOME_DIR/$1.pid" "$HOME_DIR/$1.began"; }

# end_process NAME SECONDS: asks the noted process to end, and waits; whoever else has its number is left alone.
end_process() {
  local pid tenths=$(($2 * 10))
  pid=$(running "$1") || return 0
  kill "$pid" 2>/dev/null || return 0
  while running "$1" >/dev/null; do
    [ $((tenths--)) -gt 0 ] || return 1
    sleep 0.1
  done
}

# One command at a time on a home: starting twice at once would make two clusters and two applications.
hold_home() {
  mkdir -p "$HOME_DIR"
  exec 9>"$HOME_DIR/lock"
  flock -w 600 9 || fail "another ./embrick command has been at work on $HOME_DIR for ten minutes."
}
