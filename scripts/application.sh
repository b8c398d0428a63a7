# Building, starting and stopping the application.
APP_PID=$HOME_DIR/application.pid
APP_LOG=$HOME_DIR/application.log
APP_AOT=$HOME_DIR/application.aot
PICTURES=$HOME_DIR/demo-pictures
JVM_OPTIONS="-Xlog:aot=off --add-modules=jdk.incubator.vector --enable-native-access=ALL-UNNAMED -Djava.awt.headless=true"

class_path() { echo "$ROOT/server/target/embrick-server-0.1.0.jar:$ROOT/server/target/lib/*"; }

# Builds when something is newer than the last build.
build() {
  local stamp=server/target/.embrick-built
  if [ -f "$stamp" ] && [ -z "$(find pom.xml core formats demo ui server bench \
      \( -name node_modules -o -name target -o -name dist \) -prune -o -type f -newer "$stamp" -print -quit)" ]; then
    return
  fi
  say "building"
  mkdir -p "$HOME_DIR"
  run_maven package -DskipTests -Dspotless.check.skip=true -pl core,formats,demo,ui,server,bench >"$HOME_DIR/build.log" 2>&1 \
    || { tail -n 40 "$HOME_DIR/build.log"; fail "the build failed; see $HOME_DIR/build.log"; }
  touch "$stamp"
}

app_pid() {
  local pid
  pid=$(cat "$APP_PID" 2>/dev/null) || return 1
  [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -q EmbrickApplication || return 1
  echo "$pid"
}

start_all() {
  start_postgres
  if app_pid >/dev/null; then
    say "already running"
    return
  fi
  export EMBRICK_STORAGE=${EMBRICK_STORAGE:-$HOME_DIR/storage}
  say "starting"
  # shellcheck disable=SC2086
  EMBRICK_PORT=$PORT setsid nohup "$JAVA_HOME/bin/java" $JVM_OPTIONS "$(aot_option)" -cp "$(class_path)" \
    embrick.server.EmbrickApplication >"$APP_LOG" 2>&1 </dev/null &
  local started=$!
  echo "$started" >"$APP_PID"
  for _ in $(seq 480); do
    sleep 0.25
    curl -fsS -o /dev/null "http://127.0.0.1:$PORT/actuator/health" 2>/dev/null && return
    kill -0 "$started" 2>/dev/null || { tail -n 30 "$APP_LOG"; fail "the application ended; see $APP_LOG"; }
  done
  fail "the application is not ready after two minutes; see $APP_LOG"
}

# The first process writes a cache of its classes when it is stopped; later ones start in half the time with it.
aot_option() {
  if [ -f "$APP_AOT" ] && [ "$APP_AOT" -nt server/target/embrick-server-0.1.0.jar ]; then
    echo "-XX:AOTCache=$APP_AOT"
  else
    echo "-XX:AOTCacheOutput=$APP_AOT"
  fi
}

run_worker() {
  start_postgres
  export EMBRICK_STORAGE=${EMBRICK_STORAGE:-$HOME_DIR/storage}
  # shellcheck disable=SC2086
  exec "$JAVA_HOME/bin/java" $JVM_OPTIONS -cp "$(class_path)" embrick.server.EmbrickApplication \
    --server.port=0 --db-scheduler.scheduler-name="worker-$(hostname)-$$"
}

stop_all() {
  local pid
  if pid=$(app_pid); then
    kill "$pid"
    for _ in $(seq 900); do
      app_pid >/dev/null || break
      sleep 0.1
    done
    app_pid >/dev/null && fail "the application (process $pid) did not stop."
  fi
  rm -f "$APP_PID"
  stop_postgres
  say "stopped"
}

demo_java() {
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -Xmx4g \
    -cp "$ROOT/demo/target/embrick-demo-0.1.0.jar:$(class_path)" "$@"
}

# Draws the demo pictures once and keeps them.
demo_pictures() { demo_java embrick.demo.DrawPictures "$PICTURES"; }

demo_job() { demo_java embrick.demo.FillDemoJob "http://127.0.0.1:$PORT" "$PICTURES"; }

run_bench() {
  say "installing the reference libraries"
  (cd bench/reference && npm ci --no-progress >/dev/null 2>&1) || fail "npm could not install bench/reference"
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -cp "$ROOT/bench/target/embrick-bench-0.1.0.jar:$(class_path)" \
    embrick.bench.Bench "$@"
}

# The pages are measured in the browser, on a database and a storage of their own.
run_page_figures() {
  run_maven verify -pl e2e -am -Dtest=PageFigures -Dsurefire.failIfNoSpecifiedTests=false \
    -Dembrick.pictures="$PICTURES" 2>/dev/null | grep -aE '^PAGES|BUILD|ERROR'
}

# The charts of the simulated papers, printed, read and made into profiles again; a minute.
make_papers() {
  # shellcheck disable=SC2086
  "$JAVA_HOME/bin/java" $JVM_OPTIONS -cp "$(class_path):demo/target/classes" embrick.demo.PaperStandIns \
    formats/src/main/resources/embrick/formats/icc/papers
}

# The pictures are taken from a database and a storage of their own, so that they show the demo job as it begins.
run_shots() {
  run_maven verify -pl e2e -am -Dtest=ScreenshotsShots -Dsurefire.failIfNoSpecifiedTests=false \
    -Dembrick.shots="$ROOT/docs/screenshots" -Dembrick.pictures="$PICTURES"
}

reset_all() {
  read -r -p "Take away database, originals and deliveries below $HOME_DIR? Type yes: " answer
  [ "$answer" = yes ] || fail "nothing was taken away"
  stop_all
  rm -rf "$PG_DATA" "$PG_SETTINGS" "$HOME_DIR/storage"
  say "taken away; the demo pictures are kept in $PICTURES"
}
