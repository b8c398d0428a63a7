#!/usr/bin/env bash
# Keeps a process running: the application, started by ./embrick start and ended by ./embrick stop, or a worker. One that
# ends by itself in any other way than it was asked to is started again, at once and then with growing pauses.
# Arguments: the home folder, the name of what is kept running, then its command.
set -u
HOME_DIR=$1
NAME=$2
shift 2
. "$(dirname "$0")/process.sh"

# So many ends, one after another, of a process that never answered are no accident.
MOST_QUICK=6

child=
trap 'stopping=yes; [ -n "$child" ] && kill "$child" 2>/dev/null' TERM INT
stopping=
quick=0
while [ -z "$stopping" ]; do
  rm -f "$HOME_DIR/$NAME.ready"
  "$@" &
  child=$!
  note_process "$NAME" "$child"
  # A signal ends the wait before the child has ended.
  while :; do
    wait "$child"
    code=$?
    kill -0 "$child" 2>/dev/null || break
  done
  forget_process "$NAME"
  # A picture is blamed for a crash of the process that printed it, and not for a kill.
  export EMBRICK_ENDED_WITH=$code
  if [ -f "$HOME_DIR/$NAME.ready" ]; then quick=0; else quick=$((quick + 1)); fi
  rm -f "$HOME_DIR/$NAME.ready"
  [ -z "$stopping" ] || break
  # 0 and 143 are ends that somebody asked for; 2 says that it cannot start as it is set up.
  case $code in 0 | 143 | 2) break ;; esac
  if [ $quick -ge $MOST_QUICK ]; then
    echo "embrick: the $NAME ended $quick times in a row before it answered; it is not started again."
    break
  fi
  echo "embrick: the $NAME ended with $code; it is started again."
  [ $quick -le 1 ] || sleep $((1 << (quick - 2)))
done
[ "$NAME" != application ] || forget_process supervisor
