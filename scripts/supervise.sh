#!/usr/bin/env bash
# Keeps the application running: started by ./embrick start, ended by ./embrick stop. A process that ends by itself in any
# other way than it was asked to is started again, at once and then with growing pauses.
# Arguments: the home folder, then the application's command.
set -u
HOME_DIR=$1
shift
. "$(dirname "$0")/process.sh"

# So many ends, one after another, of a process that never answered are no accident.
MOST_QUICK=6

child=
trap 'stopping=yes; [ -n "$child" ] && kill "$child" 2>/dev/null' TERM INT
stopping=
quick=0
while [ -z "$stopping" ]; do
  rm -f "$HOME_DIR/application.ready"
  "$@" &
  child=$!
  note_process application "$child"
  # A signal ends the wait before the child has ended.
  while :; do
    wait "$child"
    code=$?
    kill -0 "$child" 2>/dev/null || break
  done
  forget_process application
  # A picture is blamed for a crash of the process that printed it, and not for a kill.
  export EMBRICK_ENDED_WITH=$code
  if [ -f "$HOME_DIR/application.ready" ]; then quick=0; else quick=$((quick + 1)); fi
  rm -f "$HOME_DIR/application.ready"
  [ -z "$stopping" ] || break
  # 0 and 143 are ends that somebody asked for; 2 says that it cannot start as it is set up.
  case $code in 0 | 143 | 2) break ;; esac
  if [ $quick -ge $MOST_QUICK ]; then
    echo "embrick: the application ended $quick times in a row before it answered; it is not started again."
    break
  fi
  echo "embrick: the application ended with $code; it is started again."
  [ $quick -le 1 ] || sleep $((1 << (quick - 2)))
done
forget_process supervisor
