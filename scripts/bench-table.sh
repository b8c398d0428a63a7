#!/bin/sh
# bench-table.sh FILE...: what ./embrick bench printed, as a table in Markdown. Refuses lines of different revisions or machines,
# and of code that was not committed: figures that do not belong together must not stand in one table.
set -eu
[ $# -gt 0 ] || { echo "usage: scripts/bench-table.sh FILE..." >&2; exit 2; }
lines=$(grep -h '\[revision ' "$@") || { echo "no line of a bench in $*" >&2; exit 1; }
revisions=$(printf '%s\n' "$lines" | sed 's/.*\[revision \([^,]*\),.*/\1/' | sort -u)
machines=$(printf '%s\n' "$lines" | sed 's/.*\[revision [^,]*, [^,]*, \(.*\)\]$/\1/' | sort -u)
case $revisions in
  *dirty* | unknown) echo "these lines are of code that was not committed: $revisions" >&2; exit 1 ;;
esac
[ "$(printf '%s\n' "$revisions" | wc -l)" -eq 1 ] || { echo "these lines are of different revisions:" $revisions >&2; exit 1; }
[ "$(printf '%s\n' "$machines" | wc -l)" -eq 1 ] || { printf 'these lines are of different machines:\n%s\n' "$machines" >&2; exit 1; }
printf 'Revision %s, on %s.\n\n| work | figure | must, aim | parts |\n|---|---|---|---|\n' "$revisions" "$machines"
printf '%s\n' "$lines" | sed -E 's/^(.*[^ ]) +(-?[0-9.]+)   (must [^:]*: [^(]*[^ (]) *\((.*)\) \[revision.*$/| \1 | \2 | \3 | \4 |/'
