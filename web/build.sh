#!/usr/bin/env bash
# What Maven runs in this folder: `build` makes dist, `check` runs types, import rules, format and tests.
set -euo pipefail
cd "$(dirname "$0")"
stamp=node_modules/.lock-hash
hash=$(sha256sum package-lock.json | cut -d' ' -f1)
if [ "$(cat "$stamp" 2>/dev/null || true)" != "$hash" ]; then
  npm ci --no-audit --no-fund
  echo "$hash" > "$stamp"
fi
case "${1:-build}" in
  build) npm run --silent types && npm run --silent build ;;
  check) npm run --silent lint && node first-load.js && npm run --silent test ;;
  *) echo "build.sh: build or check" >&2; exit 2 ;;
esac
