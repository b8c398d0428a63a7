# The simulated services outside: a lab's counter and a roll printer, each a process of its own beside the application.
STANDIN_MEMORY=384m

# standin_port NAME: beside the application's own port, unless the settings say another.
standin_port() {
  case "$1" in
    counter) echo "${EMBRICK_COUNTER_PORT:-$((PORT + 1))}" ;;
    roll) echo "${EMBRICK_ROLL_PORT:-$((PORT + 2))}" ;;
  esac
}

# Where the application looks for them, running or not.
name_standins() {
  export EMBRICK_COUNTER=${EMBRICK_COUNTER-http://127.0.0.1:$(standin_port counter)}
  export EMBRICK_ROLL=${EMBRICK_ROLL-http://127.0.0.1:$(standin_port roll)}
}

standin_class_path() { echo "$RELEASE/standins/embrick-standins-0.1.0.jar:$RELEASE/standins/lib/*"; }

# keep_standin NAME: this very process becomes the one that keeps it running.
keep_standin() {
  local main=embrick.standins.counter.CounterApplication
  [ "$1" = counter ] || main=embrick.standins.roll.RollApplication
  # shellcheck disable=SC2086
  STANDIN_PORT=$(standin_port "$1") STANDIN_HOME=$HOME_DIR/$1 EMBRICK_READY_FILE=$HOME_DIR/$1.ready \
    exec bash "$ROOT/scripts/supervise.sh" "$HOME_DIR" "$1" \
    "$JAVA_HOME/bin/java" $JVM_OPTIONS -Xmx$STANDIN_MEMORY -cp "$(standin_class_path)" $main 9>&-
}

# A stand-in whose keeper was killed goes on by itself; it is ended first, so that the next one is kept.
clear_standin() {
  end_process "$1-keeper" 20 && end_process "$1" 20 || fail "an earlier $1 (process $(running "$1")) does not end."
  ! (exec 3<>"/dev/tcp/127.0.0.1/$(standin_port "$1")") 2>/dev/null \
    || fail "port $(standin_port "$1") is taken by another program: end it, or set EMBRICK_$(echo "$1" | tr a-z A-Z)_PORT to a free one."
}

# In this terminal, until it is ended.
run_standin() {
  hold_home
  ! running "$1" >/dev/null || fail "the $1 is running already, on port $(standin_port "$1")."
  clear_standin "$1"
  release
  say "the $1 is at http://127.0.0.1:$(standin_port "$1")/ until it is ended"
  keep_standin "$1"
}

# Beside the application, until ./embrick stop. Does not wait until it answers.
start_standin() {
  hold_home
  ! running "$1" >/dev/null || return 0
  clear_standin "$1"
  # The application may be an earlier build's.
  release
  rm -f "$HOME_DIR/$1.ready"
  (keep_standin "$1") >>"$HOME_DIR/$1.log" 2>&1 </dev/null &
  note_process "$1-keeper" $!
}

await_standin() {
  for _ in $(seq 600); do
    [ ! -f "$HOME_DIR/$1.ready" ] || return 0
    running "$1-keeper" >/dev/null || { tail -n 20 "$HOME_DIR/$1.log"; fail "the $1 ended; see $HOME_DIR/$1.log"; }
    sleep 0.1
  done
  fail "the $1 is not ready after a minute; see $HOME_DIR/$1.log"
}

stop_standins() {
  local name
  for name in counter roll; do
    end_process "$name-keeper" 20 || fail "the keeper of the $name (process $(running "$name-keeper")) does not end."
    end_process "$name" 20 || fail "the $name (process $(running "$name")) does not end."
    forget_process "$name-keeper"
    forget_process "$name"
  done
}
