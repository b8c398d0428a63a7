#!/usr/bin/env bash
# Installs the npm packages, but only when the lock file is newer than what is installed.
set -euo pipefail
cd "$(dirname "$0")"
stamp=node_modules/.embrick-installed
if [ ! -f "$stamp" ] || [ package-lock.json -nt "$stamp" ]; then
  npm ci --no-progress
  touch "$stamp"
fi
