#!/usr/bin/env bash
# bundle.sh FOLDER: builds the screens into a folder, but only when something is newer than what was built there last.
set -euo pipefail
into=$1
cd "$(dirname "$0")"
stamp=$(dirname "$into")/../bundled
if [ ! -f "$stamp" ] || [ -n "$(find index.html package-lock.json vite.config.ts public src -newer "$stamp" -print -quit)" ]; then
  npm run bundle -- --outDir "$into"
  touch "$stamp"
fi
