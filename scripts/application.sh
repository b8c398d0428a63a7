# Building, starting and stopping the application.
APP_LOG=$HOME_DIR/application.log
PICTURES=$HOME_DIR/demo-pictures
JVM_OPTIONS="-Xlog:aot=off --add-modules=jdk.incubator.vector --enable-native-access=ALL-UNNAMED -Djava.awt.headless=true"
APP_MAIN=embrick.server.EmbrickApplication

# The last quick build, where Maven puts it: for tools that run for a moment.
class_path() { echo "$ROOT/server/target/quick/embrick-server-0.1.0.jar:$ROOT/server/target/quick/lib/*"; }

# build [MODULE]: builds what the application needs, and one module more if it is asked for, when something is newer than the
# last such build. Quickly: the checks of the code belong to the tests. One build at a time in a checkout, whatever home it is for.
build() {
  local modules="testing core formats demo standins ui server ${1:-}" stamp=${1:-server}/target/quick/.embrick-built
  exec 8>"$ROOT/.build.lock"
  flock -w 900 8 || fail "another build of this checkout has been at work for a quarter of an hour."
  # shellcheck disable=SC2086
  if [ ! -s "$stamp" ] || [ -n "$(find pom.xml $modules \
      \( -name node_modules -o -name target -o -name dist -o -path '*/src/test' \) -prune -o -type f -newer "$stamp" -print -quit)" ]; then
    say "building"
    mkdir -p "$HOME_DIR"
    # shellcheck disable=SC2086
    run_maven -T 2 package -Dquick -pl "$(echo $modules | tr ' ' ,)" >"$HOME_DIR/build.log" 2>&1 8>&- \
      || { tail -n 40 "$HOME_DIR/build.log"; fail "the build failed; see $HOME_DIR/build.log"; }
    date +%s%N | tee "$stamp" >server/target/quick/.embrick-built
  fi
  RELEASE=$HOME_DIR/release-$(cat server/target/quick/.embrick-built)
  exec 8>&-
}

# The running application has files of its own: a later build changes nothing under it.
release() {
  local old new
  if [ ! -d "$RELEASE" ]; then
    new=$(mktemp -d "$HOME_DIR/making-release-XXXXXX")
    cp server/target/quick/embrick-server-0.1.0.jar "$new/"
    cp -r server/target/quick/lib "$new/lib"
    mkdir "$new/standins"
    cp standins/target/quick/embrick-standins-0.1.0.jar "$new/standins/"
    cp -r standins/target/quick/lib "$new/standins/lib"
    mv "$new" "$RELEASE"
  fi
  for old in "$HOME_DIR"/release-*; do
    [ "$old" = "$RELEASE" ] || grep -qaF "$old/" /proc/[0-9]*/cmdline 2>/dev/null || rm -rf "$old"
  done
}

release_class_path() { echo "$RELEASE/embrick-server-0.1.0.jar:$RELEASE/lib/*"; }

# Heap and decoded pictures together, in MB: EMBRICK_MEMORY, or half of what the machine has and at most 3 GB.
memory_mb() {
  local half
  half=$(awk '/^MemTotal:/ {print int($2 / 2048)}' /proc/meminfo)
  echo "${EMBRICK_MEMORY:-$((half < 3072 ? half : 3072))}"
}

# Half for the heap, half for pictures outside it. A heap that overflows ends the process, which is started again.
share_memory() {
  local all
  all=$(memory_mb)
  [ "$all" -ge 512 ] 2>/dev/null || fail "EMBRICK_MEMORY: expected 512 or more megabytes, got $all."
  export EMBRICK_PICTURE_MEMORY=$((all / 2))MB
  MEMORY_OPTIONS="-Xmx$((all / 2))m -XX:+ExitOnOutOfMemoryError"
}

# The storage folder belongs to the database: it is remembered, so that a start that does not name it finds it.
storage_folder() {
  echo "${EMBRICK_STORAGE:-$(cat "$HOME_DIR/storage.path" 2>/dev/null || echo "$HOME_DIR/storage")}"
}

# Folders that may be opened where they lie and delivered to, each name=/path. By itself: one in the home, and the demo's
# pictures where they are there.
allow_folders() {
  mkdir -p "$HOME_DIR/folders"
  local demo=""
  [ ! -d "$PICTURES" ] || demo=",demo-pictures=$PICTURES"
  export EMBRICK_ROOTS=${EMBRICK_ROOTS-folders=$HOME_DIR/folders$demo}
}

port_is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; }

start_all() {
  hold_home
  start_database
  EMBRICK_STORAGE=$(storage_folder)
  export EMBRICK_STORAGE
  if running supervisor >/dev/null; then
    say "already running$(grep -qaF "$RELEASE/" "/proc/$(running application)/cmdline" 2>/dev/null \
      || echo ", an earlier build: ./embrick stop, then start, to run this one")"
    return
  fi
  # One whose supervisor was killed goes on by itself; it is ended first, so that this one keeps it.
  end_process application 60 || fail "an earlier application (process $(running application)) does not end."
  ! port_is_taken || fail "port $PORT is taken by another program: end it, or set EMBRICK_PORT to a free one."
  release
  say "starting"
  mkdir -p "$EMBRICK_STORAGE"
  echo "$EMBRICK_STORAGE" >"$HOME_DIR/storage.path"
  share_memory
  allow_folders
  name_standins
  keep_log
  log_into application
  rm -f "$HOME_DIR/application.ready"
  # shellcheck disable=SC2086
  EMBRICK_PORT=$PORT EMBRICK_READY_FILE=$HOME_DIR/application.ready setsid nohup bash "$ROOT/scripts/supervise.sh" \
    "$HOME_DIR" application "$JAVA_HOME/bin/java" $JVM_OPTIONS $MEMORY_OPTIONS $(aot_option) -cp "$(release_class_path)" \
    $APP_MAIN --embrick.practice=true \
    >>"$APP_LOG" 2>&1 </dev/null 9>&- &
  note_process supervisor $!
}

# Waits until the application that start_all has started answers.
await_application() {
  await_ready
  make_class_cache
}

# The application itself writes the file when it answers: whoever else has the port is not taken for it.
await_ready() {
  for _ in $(seq 1200); do
    [ ! -f "$HOME_DIR/application.ready" ] || return 0
    running supervisor >/dev/null || { tail -n 30 "$APP_LOG"; fail "the application ended; see $APP_LOG"; }
    sleep 0.1
  done
  fail "the application is not ready after two minutes; see $APP_LOG"
}

# log_into NAME: what a process says goes to a file of its own, which is parted by size and goes on after a restart; only its
# errors, and what it says before it can write there, go where this command's own words go.
log_into() {
  export EMBRICK_LOG=$HOME_DIR/logs/$1.log LOGGING_THRESHOLD_CONSOLE=ERROR
}

# The last three logs are kept.
keep_log() {
  [ -s "$APP_LOG" ] || return 0
  [ ! -f "$APP_LOG.1" ] || mv "$APP_LOG.1" "$APP_LOG.2"
  mv "$APP_LOG" "$APP_LOG.1"
}

# A cache of loaded classes halves the time of a start; a process does without while there is none. It is made once for a
# release, beside the running application.
aot_option() { echo "-XX:AOTCache=$RELEASE/application.aot"; }

make_class_cache() {
  [ ! -f "$RELEASE/application.aot" ] || return 0
  # On somebody's own server no database is made for it.
  [ -z "${EMBRICK_DATABASE:-}" ] || return 0
  ! running rehearsal >/dev/null || return 0
  rehearse "$(running application)" >"$HOME_DIR/class-cache.log" 2>&1 </dev/null 9>&- &
  note_process rehearsal $! || true
}

# Ticks of processor time (100 a second) that a process has used; nothing if it is gone.
ticks_of() {
  local stat
  stat=$(cat "/proc/$1/stat" 2>/dev/null) || return 1
  # shellcheck disable=SC2086
  set -- ${stat##*) }
  echo $((${12} + ${13}))
}

# is_at_work PID: whether a process uses more than a fifth of a core, over a second.
is_at_work() {
  local before after
  before=$(ticks_of "$1") || return 1
  sleep 1
  after=$(ticks_of "$1") || return 1
  [ $((after - before)) -gt 20 ]
}

# await_idle PID: until a process has done next to nothing for five seconds.
await_idle() {
  local quiet=0
  while [ $quiet -lt 5 ]; do
    if is_at_work "$1"; then quiet=0; else quiet=$((quiet + 1)); fi
  done
}

# give_way PID APPLICATION: a process stands still whenever the application is at work, until it ends.
give_way() {
  while kill -0 "$1" 2>/dev/null; do
    if is_at_work "$2"; then
      kill -STOP "$1" 2>/dev/null
      await_idle "$2"
      kill -CONT "$1" 2>/dev/null
    fi
  done
}

# rehearse APPLICATION: a whole job in a process, a database and a storage of its own, which are deleted afterwards. It waits
# until the running application is idle, and whenever that is at work.
rehearse() {
  local application=$1 storage=$HOME_DIR/rehearsal database=embrick_rehearsal java=
  # Asked to end, it would go on for a minute to write a cache that nobody wants, in a process of its own.
  trap '[ -z "$java" ] || kill -KILL "$java" $(cat "/proc/$java/task/$java/children" 2>/dev/null) 2>/dev/null; exit 1' TERM
  await_idle "$application"
  rm -rf "$storage"
  with_database dropdb --if-exists --force "$database"
  with_database createdb "$database" || return
  # shellcheck disable=SC2086
  EMBRICK_DB_URL=${EMBRICK_DB_URL%/*}/$database EMBRICK_STORAGE=$storage EMBRICK_READY_FILE='' EMBRICK_LOG='' LOGGING_THRESHOLD_CONSOLE= nice -n 19 \
    "$JAVA_HOME/bin/java" $JVM_OPTIONS $MEMORY_OPTIONS -XX:AOTCacheOutput="$RELEASE/making.aot" \
    -cp "$(release_class_path)" $APP_MAIN --server.port=0 --embrick.rehearsal=true &
  java=$!
  give_way "$java" "$application"
  wait "$java" && mv "$RELEASE/making.aot" "$RELEASE/application.aot"
  with_database dropdb --if-exists --force "$database"
  rm -rf "$storage"
}

# What a worker is asked for: --database, --storage, --memory, --name. Without a database it works for the application of this
# home; with one, on any machine, for whichever application has that database and the same storage.
worker_options() {
  WORKER_NAME=worker-$$
  while [ $# -gt 0 ]; do
    [ $# -gt 1 ] || fail "worker: $1 needs a value."
    case "$1" in
      --database) export EMBRICK_DATABASE=$2 ;;
      --storage) export EMBRICK_STORAGE=$2 ;;
      --memory) export EMBRICK_MEMORY=$2 ;;
      --name) WORKER_NAME=worker-$2 ;;
      *) fail "worker: $1 is not known; expected --database, --storage, --memory or --name." ;;
    esac
    shift 2
  done
  case "$WORKER_NAME" in *[!A-Za-z0-9._-]*) fail "worker: a name has letters, digits, points, dashes and no others." ;; esac
  if [ -n "${EMBRICK_DATABASE:-}" ] && [ ! -d "${EMBRICK_STORAGE:-}" ]; then
    fail "worker: --storage: expected the application's storage folder as this machine has it, got \"${EMBRICK_STORAGE:-}\"."
  fi
}

# A process that makes pieces and nothing else: no port, no pages. It is kept running until this command is ended.
run_worker() {
  hold_home
  ! running "$WORKER_NAME" >/dev/null || fail "$WORKER_NAME is at work already: give this one another name."
  start_database
  release
  EMBRICK_STORAGE=$(storage_folder)
  export EMBRICK_STORAGE
  share_memory
  allow_folders
  log_into "$WORKER_NAME"
  say "$WORKER_NAME is at work until it is ended"
  # shellcheck disable=SC2086
  EMBRICK_PROCESS="$WORKER_NAME@$(hostname)" EMBRICK_READY_FILE=$HOME_DIR/$WORKER_NAME.ready exec bash "$ROOT/scripts/supervise.sh" \
    "$HOME_DIR" "$WORKER_NAME" "$JAVA_HOME/bin/java" $JVM_OPTIONS $MEMORY_OPTIONS $(aot_option) \
    -cp "$(release_class_path)" $APP_MAIN --spring.main.web-application-type=none --embrick.practice=true 9>&-
}

stop_all() {
  hold_home
  # The supervisor ends the application; one that has lost its supervisor is ended by itself.
  end_process supervisor 90 || fail "the supervisor (process $(running supervisor)) does not end."
  end_process application 60 || fail "the application (process $(running application)) does not end."
  stop_standins
  # What is rehearsed for the next start is of no use without its database.
  end_process rehearsal 20 || true
  forget_process supervisor
  forget_process application
  forget_process rehearsal
  [ -n "${EMBRICK_DATABASE:-}" ] || stop_postgres
  say "stopped"
}

demo_java() {
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -Xmx4g \
    -cp "$ROOT/demo/target/quick/embrick-demo-0.1.0.jar:$(class_path)" "$@"
}

# Draws the demo pictures once and keeps them.
demo_pictures() { demo_java embrick.demo.DrawPictures "$PICTURES"; }

demo_job() { demo_java embrick.demo.FillDemoJob "http://127.0.0.1:$PORT" "$PICTURES"; }

run_bench() {
  say "installing the reference libraries"
  (cd bench/reference && npm ci --no-progress >/dev/null 2>&1) || fail "npm could not install bench/reference"
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -Dembrick.revision="$(git -C "$ROOT" describe --always --dirty 2>/dev/null || echo unknown)" \
    -cp "$ROOT/bench/target/quick/embrick-bench-0.1.0.jar:$(class_path)" embrick.bench.Bench "$@"
}

# run_training CLASS [WORDS]: what learned filters are made by, and measured by
run_training() {
  local class=$1
  shift
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -Xmx6g -cp "$ROOT/bench/target/quick/embrick-bench-0.1.0.jar:$(class_path)" \
    "embrick.bench.train.$class" "$@"
}

# Figures that need the running application are measured on a database and a storage of their own.
run_figures() {
  run_maven verify -pl e2e -am -Dtest="$1" -Dsurefire.failIfNoSpecifiedTests=false -Dui.test.skip=true \
    -Dembrick.pictures="$PICTURES" 2>/dev/null | grep -aE '^PAGES|^FIGURE|BUILD|ERROR'
}

# The charts of the simulated papers, printed, read and made into profiles again; a minute.
make_papers() {
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -cp "$(class_path):demo/target/quick/classes" embrick.demo.PaperStandIns \
    formats/src/main/resources/embrick/formats/icc/papers
}

# The pictures are taken from a database and a storage of their own, so that they show the demo job as it begins.
run_shots() {
  run_maven verify -pl e2e -am -Dtest=ScreenshotsShots -Dsurefire.failIfNoSpecifiedTests=false -Dui.test.skip=true \
    -Dembrick.shots="$ROOT/docs/screenshots" -Dembrick.pictures="$PICTURES"
}

# Of a storage folder only what Embrick makes in it: it may have been chosen by hand and hold other things.
STORAGE_FOLDERS="originals previews making deliveries incoming profiles marks backgrounds decoding"

reset_all() {
  local storage folder answer
  [ -z "${EMBRICK_DATABASE:-}" ] || fail "a database of your own server is not deleted by this: drop it there."
  storage=$(storage_folder)
  say "this deletes the database in $PG_DATA"
  say "and in $storage all originals, deliveries and profiles: $STORAGE_FOLDERS"
  read -r -p "Delete them? Type yes: " answer || true
  [ "${answer:-}" = yes ] || fail "nothing was deleted"
  stop_all
  rm -rf "$PG_DATA" "$PG_SETTINGS"
  rm -f "${storage:?}/.embrick-storage"
  for folder in $STORAGE_FOLDERS; do rm -rf "${storage:?}/$folder"; done
  rmdir "$storage" 2>/dev/null || true
  rm -f "$HOME_DIR/storage.path"
  say "deleted; the demo pictures are kept in $PICTURES"
}
