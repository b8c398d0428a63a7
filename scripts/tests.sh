# Every test, in one run of Maven over all modules: nothing is installed, so that a checkout never sees another's classes.
TIMES=$ROOT/target/test-times.tsv

run_tests() {
  local cases="" failed=0
  # thorough: all cases of the tests that go through hundreds, and bug patterns that only warn
  [ "${1:-}" != thorough ] || cases="-Dembrick.thorough=true -Dbug.patterns=-XepDisableWarningsInGeneratedCode"
  find . -name class-times.tsv -path '*/target/*' -not -path '*/node_modules/*' -delete
  # shellcheck disable=SC2086
  run_maven -T 2 verify -Dapart --fail-at-end $cases || failed=1
  report_times
  [ "$failed" = 0 ] || fail "some tests failed; their reports are in */target/surefire-reports."
  say "all tests have passed"
}

# How long the run took, which classes took longest, and which grew against the table in docs/measured.md. It only tells:
# machines differ. Each module's own table is written by embrick.testing.times.ClassTimes and ui/src/testing/fileTimes.ts.
report_times() {
  mkdir -p target
  local table module
  for table in */target/class-times.tsv; do
    [ -f "$table" ] || continue
    module=${table%%/*}
    awk -v module="$module" -F'\t' '{printf "%s\t%s\t%s\t%s\n", module, $1, $2, $3}' "$table"
  done | sort -t "$(printf '\t')" -k4,4nr >"$TIMES"
  say "the ten classes that took most processor time (wall and CPU in seconds; all are in target/test-times.tsv)"
  head -n 10 "$TIMES" | awk -F'\t' '{printf "  %-10s %-55s %7.1f %7.1f\n", $1, $2, $3, $4}'
  tell_growth docs/measured.md
  processor_seconds
  say "the run took $SECONDS s of wall and $CPU_SECONDS s of processor time"
}

# tell_growth TABLE: classes that took a fifth (and a second) more processor time than the table tells. Its lines are
# "| class | module | wall | CPU |" between the marks <!-- class times --> and <!-- end -->.
tell_growth() {
  awk -F'\t' -v table="$1" '
    BEGIN {
      while ((getline line < table) > 0) {
        if (line ~ /<!-- class times -->/) inside = 1
        else if (line ~ /<!-- end -->/) inside = 0
        else if (inside && split(line, cell, "|") >= 5) {
          gsub(/[ `]/, "", cell[2]); kept[cell[2]] = cell[5] + 0
        }
      }
    }
    {
      name = $2; sub(/.*\./, "", name)
      if (kept[name] > 0 && $4 > kept[name] * 1.2 && $4 > kept[name] + 1)
        printf "embrick: %s took %.1f s of processor time, %.1f in docs/measured.md\n", name, $4, kept[name]
    }' "$TIMES"
}

# Sets CPU_SECONDS: user and system time of all processes that this shell has waited for.
processor_seconds() {
  # Not through a pipe: its side of it would be another shell, which has waited for nothing.
  times >target/.times
  CPU_SECONDS=$(awk 'NR == 2 {
    for (i = 1; i <= 2; i++) { split($i, part, /[ms]/); sum += part[1] * 60 + part[2] }
    printf "%d", sum
  }' target/.times)
}
