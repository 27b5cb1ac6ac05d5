#!/usr/bin/env bash
# A PostgreSQL of our own on loopback. Sourced by ./fair-edge; defines postgres_start and postgres_stop.
# Root can't run PostgreSQL, so as root it runs as the system user postgres.

postgres_bin() {
  local dir
  for dir in /usr/lib/postgresql/*/bin /usr/local/pgsql/bin /opt/homebrew/opt/postgresql*/bin; do
    if [ -x "$dir/initdb" ]; then echo "$dir"; return 0; fi
  done
  if command -v initdb >/dev/null 2>&1; then dirname "$(command -v initdb)"; return 0; fi
  return 1
}

as_postgres() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

free_port() {
  # From the given port upwards, the first on which nothing listens.
  local port=$1
  while (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do port=$((port + 1)); done
  echo "$port"
}

# postgres_start FOLDER PORT SAFE: starts (and makes, if new) the cluster in FOLDER, near PORT.
# SAFE is "safe" for data that matters, "fast" for tests. Sets FAIR_EDGE_DB_URL, _USER, _PASSWORD.
postgres_start() {
  local folder=$1 port=$2 safe=$3 bin
  bin=$(postgres_bin) || { echo "fair-edge: PostgreSQL is not installed" >&2; return 1; }
  if [ ! -f "$folder/data/PG_VERSION" ]; then
    mkdir -p "$folder"
    chmod 700 "$folder"
    if [ "$(id -u)" = 0 ]; then chown postgres "$folder"; fi
    (umask 077; head -c 18 /dev/urandom | base64 | tr '+/' 'ab' > "$folder/password")
    if [ "$(id -u)" = 0 ]; then chown postgres "$folder/password"; fi
    as_postgres "$bin/initdb" --pgdata="$folder/data" --username=fair_edge --pwfile="$folder/password" \
      --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 > "$folder/initdb.log" 2>&1 ||
      { cat "$folder/initdb.log" >&2; return 1; }
  fi
  if as_postgres "$bin/pg_ctl" --pgdata="$folder/data" status >/dev/null 2>&1; then
    port=$(as_postgres sed -n 4p "$folder/data/postmaster.pid")
  else
    local options="-c listen_addresses=127.0.0.1 -c unix_socket_directories= -c max_connections=60"
    if [ "$safe" = fast ]; then options="$options -c fsync=off -c synchronous_commit=off -c full_page_writes=off"; fi
    local tries=0
    port=$(free_port "$port")
    # Another program may take the port between the look and the start: try the next one then.
    until as_postgres "$bin/pg_ctl" --pgdata="$folder/data" --log="$folder/postgres.log" --wait --silent \
      -o "-p $port $options" start >/dev/null 2>&1; do
      tries=$((tries + 1))
      if [ "$tries" -ge 5 ]; then as_postgres tail -n 20 "$folder/postgres.log" >&2; return 1; fi
      port=$(free_port $((port + 1)))
    done
  fi
  FAIR_EDGE_DB_URL="jdbc:postgresql://127.0.0.1:$port/postgres"
  FAIR_EDGE_DB_USER=fair_edge
  FAIR_EDGE_DB_PASSWORD=$(as_postgres cat "$folder/password")
  export FAIR_EDGE_DB_URL FAIR_EDGE_DB_USER FAIR_EDGE_DB_PASSWORD
}

postgres_stop() {
  local folder=$1 bin
  bin=$(postgres_bin) || return 0
  as_postgres "$bin/pg_ctl" --pgdata="$folder/data" --mode=fast --silent stop >/dev/null 2>&1 || true
}
