# Every test. Maven's own order would keep the browser waiting for the tests of all that the application is built from; so all is
# built once, and then the browser's tests run beside the others.

# Where the two that run beside one another say what they do; each is shown whole when it has ended.
TESTS_HOME=target/tests

run_tests() {
  # thorough: all cases of the tests that go through hundreds
  [ "${1:-}" != thorough ] || CASES=-Dembrick.thorough=true
  mkdir -p "$TESTS_HOME"
  run_maven -T 2 install -DskipTests
  test_in_browser &
  local browser=$!
  # Whoever ends this ends the one beside it too.
  trap 'kill "$browser" 2>/dev/null || true' EXIT
  local failed=0
  test_modules parts core,formats,demo,standins,server || failed=1
  wait "$browser" || failed=1
  trap - EXIT
  [ "$failed" = 0 ] || fail "some tests failed; their reports are in */target/surefire-reports."
  say "all tests have passed"
}

# The application in a browser, the interface by itself, and the bench.
test_in_browser() {
  local failed=0
  test_modules browser e2e,bench || failed=1
  run_maven exec:exec@check -pl ui >"$TESTS_HOME/interface.log" 2>&1 || failed=1
  cat "$TESTS_HOME/interface.log"
  return "$failed"
}

# Tests modules that have been built; what they say is shown in one piece.
test_modules() {
  local log=$TESTS_HOME/$1.log ended=0
  run_maven surefire:test --fail-at-end ${CASES:-} -pl "$2" >"$log" 2>&1 || ended=$?
  cat "$log"
  return "$ended"
}
