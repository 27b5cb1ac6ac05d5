#!/usr/bin/env bash
# Checks that nginx takes deploy/nginx.conf and systemd deploy/fair-edge.service, where they are installed.
set -euo pipefail
root=$(cd "$(dirname "$0")/.." && pwd)
folder=$(mktemp -d "${TMPDIR:-/tmp}/fair-edge-deploy-XXXXXX")
trap 'rm -rf "$folder"' EXIT

nginx=$(command -v nginx || ls /usr/sbin/nginx 2>/dev/null || true)
if [ -n "$nginx" ] && command -v openssl >/dev/null; then
  openssl req -x509 -newkey rsa:2048 -nodes -days 1 -subj /CN=fair-edge.example \
    -keyout "$folder/privkey.pem" -out "$folder/fullchain.pem" 2>/dev/null
  sed "s|/etc/ssl/fair-edge|$folder|" "$root/deploy/nginx.conf" > "$folder/fair-edge.conf"
  printf 'pid %s/pid;\nerror_log %s/error.log;\nevents {}\nhttp { access_log off; include %s/fair-edge.conf; }\n' \
    "$folder" "$folder" "$folder" > "$folder/nginx.conf"
  "$nginx" -t -q -c "$folder/nginx.conf" || { echo "fair-edge: nginx does not take deploy/nginx.conf" >&2; exit 1; }
fi

if command -v systemd-analyze >/dev/null; then
  # The program and its user are not on this machine: any others stand for them.
  sed -e 's|^ExecStart=[^ ]*|ExecStart=/bin/true|' -e '/^User=/d' -e '/^EnvironmentFile=/d' \
    "$root/deploy/fair-edge.service" > "$folder/fair-edge.service"
  found=$(systemd-analyze verify "$folder/fair-edge.service" 2>&1 | grep "fair-edge.service" || true)
  if [ -n "$found" ]; then
    echo "fair-edge: systemd does not take deploy/fair-edge.service: $found" >&2
    exit 1
  fi
fi
