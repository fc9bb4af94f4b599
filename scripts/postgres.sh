# A private PostgreSQL cluster on loopback. Sourced after common.sh.
# Sets PG_PID, PG_PORT and PG_URL; stop with postgres_stop.

postgres_find() {
  PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -z "$PG_BIN" ] || [ ! -x "$PG_BIN/initdb" ] || [ ! -x "$PG_BIN/postgres" ]; then
    install_debian postgresql
    PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
  fi
  pg_identity
}

# postgres and initdb refuse root: they run as the system's postgres user then. An array, not a
# function, so that a command started with & is the server itself and gets our signals.
PG_AS=()
if [ "$(id -u)" -eq 0 ]; then
  pg_identity() {
    PG_AS=(setpriv --reuid postgres --regid "$(id -g postgres)" --init-groups)
  }
else
  pg_identity() { :; }
fi

# Where a lasting cluster lives: the given folder, or, where the postgres user cannot enter the
# project, the system's lasting temporary folder.
postgres_home() {
  local wanted=$1
  mkdir -p "$wanted"
  if [ "$(id -u)" -eq 0 ]; then
    chown postgres "$wanted"
    if ! "${PG_AS[@]}" test -w "$wanted"; then
      wanted=/var/tmp/zesty-ember-$(pwd | cksum | cut -d' ' -f1)
      mkdir -p "$wanted" && chown postgres "$wanted"
      say "the database lives in $wanted, since the user postgres cannot enter this folder" >&2
    fi
    chmod 700 "$wanted"
  fi
  printf '%s' "$wanted"
}

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

# postgres_start FOLDER [extra postgres options]
postgres_start() {
  local data=$1/pg try
  shift
  if [ ! -e "$data/PG_VERSION" ]; then
    rm -rf "$data"
    "${PG_AS[@]}" "$PG_BIN/initdb" -D "$data" -U ember -A trust -E UTF8 --locale=C.UTF-8 \
      ${PG_INIT_OPTIONS:-} >/dev/null || die "the database could not be created in $data"
  fi
  for try in 1 2 3; do
    PG_PORT=$(free_port)
    # --pdeathsig stops the database also when the script is killed.
    "${PG_AS[@]}" setpriv --pdeathsig INT "$PG_BIN/postgres" -D "$data" -p "$PG_PORT" \
      -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c log_min_messages=fatal \
      "$@" >>"${data%/pg}/postgres.log" 2>&1 &
    PG_PID=$!
    if postgres_wait; then
      PG_URL="postgres://ember@127.0.0.1:$PG_PORT/ember"
      PGCONNECT_TIMEOUT=5 "$PG_BIN/psql" -qtAX "${PG_URL%/ember}/postgres" \
        -c "SELECT 1 FROM pg_database WHERE datname = 'ember'" | grep -q 1 ||
        "$PG_BIN/createdb" -h 127.0.0.1 -p "$PG_PORT" -U ember ember
      return
    fi
  done
  tail -n 5 "${data%/pg}/postgres.log" >&2
  die "the database in $data does not start; see ${data%/pg}/postgres.log"
}

postgres_wait() {
  local n
  for n in $(seq 1 300); do
    "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$PG_PORT" && return 0
    kill -0 "$PG_PID" 2>/dev/null || return 1
    sleep 0.1
  done
  return 1
}

postgres_stop() {
  [ -n "${PG_PID:-}" ] || return 0
  kill -INT "$PG_PID" 2>/dev/null
  wait "$PG_PID" 2>/dev/null
  PG_PID=
}
