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
# SAFE is "safe" for data that matters, "fast" for tests. Sets FAIR_EDGE_DB_URL, _USER, _PASSWORD: of
# a user who owns the application's database and nothing else; tests may make databases of their own.
postgres_start() {
  local folder=$1 port=$2 safe=$3 bin
  bin=$(postgres_bin) || { echo "fair-edge: PostgreSQL is not installed" >&2; return 1; }
  if [ ! -f "$folder/data/PG_VERSION" ]; then
    mkdir -p "$folder"
    chmod 700 "$folder"
    if [ "$(id -u)" = 0 ]; then chown postgres "$folder"; fi
    postgres_secret "$folder/password"
    postgres_secret "$folder/keeper"
    as_postgres "$bin/initdb" --pgdata="$folder/data" --username=keeper --pwfile="$folder/keeper" \
      --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 > "$folder/initdb.log" 2>&1 ||
      { cat "$folder/initdb.log" >&2; return 1; }
  fi
  postgres_bury "$folder"
  if as_postgres "$bin/pg_ctl" --pgdata="$folder/data" status >/dev/null 2>&1; then
    port=$(as_postgres sed -n 4p "$folder/data/postmaster.pid")
  else
    local options="-c listen_addresses=127.0.0.1 -c unix_socket_directories= -c max_connections=60"
    # Tests have an application for each class.
    if [ "$safe" = fast ]; then
      options="$options -c max_connections=200 -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
    fi
    local tries=0
    # Where it was before, if that is free: a server that outlived it finds it again.
    if [ -f "$folder/port" ]; then port=$(cat "$folder/port"); fi
    port=$(free_port "$port")
    # Another program may take the port between the look and the start: try the next one then.
    until as_postgres "$bin/pg_ctl" --pgdata="$folder/data" --log="$folder/postgres.log" --wait --silent \
      -o "-p $port $options" start >/dev/null 2>&1; do
      tries=$((tries + 1))
      if [ "$tries" -ge 5 ]; then as_postgres tail -n 20 "$folder/postgres.log" >&2; return 1; fi
      port=$(free_port $((port + 1)))
    done
  fi
  echo "$port" > "$folder/port"
  postgres_users "$folder" "$port" "$safe"
  FAIR_EDGE_DB_URL="jdbc:postgresql://127.0.0.1:$port/$(cat "$folder/database")"
  FAIR_EDGE_DB_USER=fair_edge
  FAIR_EDGE_DB_PASSWORD=$(as_postgres cat "$folder/password")
  export FAIR_EDGE_DB_URL FAIR_EDGE_DB_USER FAIR_EDGE_DB_PASSWORD
}

# One that was ended by force may be on the list of processes for a while, and is none any more.
postgres_bury() {
  local file=$1/data/postmaster.pid pid
  [ -f "$file" ] || return 0
  pid=$(head -n 1 "$file")
  if grep -qs '^State:[[:space:]]*Z' "/proc/$pid/status"; then rm -f "$file"; fi
}

# A password of letters and digits in a file that only PostgreSQL's user reads.
postgres_secret() {
  (umask 077; head -c 18 /dev/urandom | base64 | tr '+/' 'ab' > "$1")
  if [ "$(id -u)" = 0 ]; then chown postgres "$1"; fi
}

# postgres_users FOLDER PORT SAFE: the application's user and database, once. Clusters of before have a
# user who may do everything; that is taken from it, and its data stays where it is.
postgres_users() {
  local folder=$1 port=$2 safe=$3 password may=nocreatedb
  [ ! -f "$folder/database" ] || return 0
  password=$(as_postgres cat "$folder/password")
  if [ "$safe" = fast ]; then may=createdb; fi
  if [ ! -f "$folder/keeper" ]; then
    postgres_secret "$folder/keeper"
    postgres_ask "$port" fair_edge "$password" \
      "create role keeper superuser login password '$(as_postgres cat "$folder/keeper")';
       alter role fair_edge nosuperuser $may nocreaterole noreplication nobypassrls"
    echo postgres > "$folder/database"
    return 0
  fi
  postgres_ask "$port" keeper "$(as_postgres cat "$folder/keeper")" \
    "create role fair_edge login $may password '$password'"
  postgres_ask "$port" keeper "$(as_postgres cat "$folder/keeper")" \
    "create database fair_edge owner fair_edge"
  echo fair_edge > "$folder/database"
}

# postgres_ask PORT USER PASSWORD SQL
postgres_ask() {
  PGPASSWORD=$3 "$(postgres_bin)/psql" --host=127.0.0.1 --port="$1" --username="$2" --dbname=postgres \
    --no-psqlrc --quiet --set=ON_ERROR_STOP=1 --command="$4" > /dev/null
}

postgres_stop() {
  local folder=$1 bin
  bin=$(postgres_bin) || return 0
  as_postgres "$bin/pg_ctl" --pgdata="$folder/data" --mode=fast --silent stop >/dev/null 2>&1 || true
}
