# The stages of ./test: each runs, is timed, and its tests are counted. Sourced after common.sh.

PASSED=0
FAILED=0
SUMMARY=()

# stage NAME COMMAND...: runs a stage and shows what it prints.
stage() {
  local log=$scratch/stage.log
  printf '\n== %s\n' "$1"
  run_stage "$log" "$@"
  count_stage "$log" "$1"
}

# beside NAME COMMAND...: begins a stage that runs beside the next ones. gather: waits for all of these, and shows what
# they printed.
BESIDE=()
beside() {
  local log=$scratch/beside-${#BESIDE[@]}.log
  run_stage "$log" "$@" >/dev/null &
  BESIDE+=("$!" "$log" "$1")
}
gather() {
  local at
  for ((at = 0; at < ${#BESIDE[@]}; at += 3)); do
    wait "${BESIDE[at]}"
    printf '\n== %s\n' "${BESIDE[at + 2]}"
    cat "${BESIDE[at + 1]}"
    count_stage "${BESIDE[at + 1]}" "${BESIDE[at + 2]}"
  done
  BESIDE=()
}

# run_stage LOG NAME COMMAND...: keeps the output, the status and the seconds.
run_stage() {
  local log=$1 started status
  shift 2
  started=$(date +%s)
  # Runners colour and redraw less when they write to a pipe.
  CI=true "$@" 2>&1 | tee "$log"
  status=${PIPESTATUS[0]}
  printf '%d %d\n' "$status" $(($(date +%s) - started)) >"$log.end"
}

# count_stage LOG NAME: counts the tests a runner names, or the stage itself as one check.
count_stage() {
  local log=$1 name=$2 status took passed failed
  read -r status took <"$log.end"
  passed=$(count_of passed "$log")
  failed=$(count_of failed "$log")
  if [ $((passed + failed)) -eq 0 ]; then
    [ "$status" -eq 0 ] && passed=1 || failed=1
  elif [ "$status" -ne 0 ] && [ "$failed" -eq 0 ]; then
    failed=1
  fi
  PASSED=$((PASSED + passed))
  FAILED=$((FAILED + failed))
  SUMMARY+=("$(printf '%-22s %4d passed %3d failed  %4d s' "$name" "$passed" "$failed" "$took")")
}

# Adds the numbers before a word, as cargo ("5 passed;"), vitest and Playwright ("5 passed") say
# them; vitest's line of files is left out.
count_of() {
  sed 's/\x1b\[[0-9;]*m//g' "$2" | grep -v 'Test Files' |
    grep -oE "[0-9]+ $1" | awk '{n += $1} END {print n + 0}'
}

summary() {
  printf '\n'
  printf '%s\n' "${SUMMARY[@]}"
  printf '\n%d passed, %d failed\n' "$PASSED" "$FAILED"
  [ "$FAILED" -eq 0 ]
}

# Clippy's compiler compiles our crates for all that follows, and its warnings are errors. `cargo clippy` would compile the
# dependencies a second time, to look at ours only: three minutes on two cores. Both variables are cargo clippy's own.
clippy_looks_on() {
  command -v clippy-driver >/dev/null || die "clippy is missing; rustup component add clippy"
  export RUSTC_WORKSPACE_WRAPPER=clippy-driver CLIPPY_ARGS="-D__CLIPPY_HACKERY__warnings__CLIPPY_HACKERY__"
}

# The core knows no web, database or async crate, not even through another.
core_is_pure() {
  local found
  found=$(cargo tree --package ember-model --package ember-core --edges normal,build --prefix none |
    grep -E '^(actix|axum|hyper|tokio|async-|futures|diesel|postgres|sqlx|r2d2|reqwest|tower|serde_json) ?' |
    sort -u)
  [ -z "$found" ] || { printf 'ember-core pulls in:\n%s\n' "$found"; return 1; }
}

start_throw_away_cluster() {
  postgres_find
  [ "$(id -u)" -ne 0 ] || chown postgres "$scratch"
  PG_INIT_OPTIONS=--no-sync postgres_start "$scratch" \
    -c fsync=off -c synchronous_commit=off -c full_page_writes=off
  export TEST_DATABASE_URL=$PG_ADMIN_URL
}

openapi_is_committed() {
  described openapi docs/openapi.json &&
    described machines-schema docs/machines.schema.json &&
    described supper-schema docs/supper.schema.json
}

# described OPTION FILE: what the service prints with an option is what is committed.
described() {
  target/debug/ember-server "--$1" >"$scratch/described.json" &&
    diff -u "$2" "$scratch/described.json" ||
    { say "$2 is out of date: cargo run -p ember-server -- --$1 > $2"; return 1; }
}

types_are_generated() {
  (cd web && npx openapi-typescript ../docs/openapi.json -o "$scratch/schema.d.ts") >/dev/null 2>&1 &&
    diff -u web/src/api/schema.d.ts "$scratch/schema.d.ts" ||
    { say "web/src/api/schema.d.ts is out of date: npm --prefix web run api"; return 1; }
}

# First load at most 200 kB of compressed script: what the page itself asks for before any place.
script_is_small() {
  local limit=200000 total
  total=$(grep -o 'assets/[^"]*\.js' web/dist/index.html | while read -r script; do
    wc -c <"web/dist/$script.gz"
  done | awk '{n += $1} END {print n}')
  say "first load: $total bytes of compressed script, limit $limit"
  [ "$total" -gt 0 ] && [ "$total" -le "$limit" ]
}

# What is fetched for the stages that follow, while the compiler has the processor.
fetch_packages() {
  local of
  for of in $1; do
    case $of in
      web | e2e) npm_install "$of" ;;
      chromium) chromium_install || return 1 ;;
      contract) schemathesis_install || return 1 ;;
    esac
  done
}

schemathesis_install() {
  local venv=target/contract
  ! "$venv/bin/schemathesis" --version 2>/dev/null | grep -q 4.32.5 || return 0
  python3 -c 'import ensurepip' 2>/dev/null || install_debian python3-venv
  rm -rf "$venv"
  python3 -m venv "$venv" && "$venv/bin/pip" install --quiet --disable-pip-version-check schemathesis==4.32.5
}

# The API description against the running service: a schema-driven fuzzer, pinned, in an environment
# of its own. No answer of ours is 5xx, and none is undocumented.
contract_is_kept() {
  local venv=target/contract port log=$scratch/contract.log status
  port=$(free_port)
  "$PG_BIN/createdb" --maintenance-db "$PG_ADMIN_URL/postgres" contract || return 1
  DATABASE_URL=$PG_ADMIN_URL/contract RUST_LOG=error \
    target/debug/ember-server --port "$port" --web-dir "$scratch" >/dev/null 2>&1 &
  CONTRACT_PID=$!
  "$venv/bin/schemathesis" run "http://127.0.0.1:$port/api/openapi.json" \
    --url "http://127.0.0.1:$port" --wait-for-schema 60 --max-examples 50 --seed 1 \
    --phases examples,coverage,fuzzing --suppress-health-check all --exclude-path /api/changes --exclude-operation-id import_household --request-timeout 60 \
    --checks not_a_server_error,status_code_conformance,content_type_conformance,response_schema_conformance \
    --no-color --warnings off --generation-database none >"$log" 2>&1
  status=$?
  kill -TERM "$CONTRACT_PID" && wait "$CONTRACT_PID"
  [ "$status" -eq 0 ] || { grep -v '^$' "$log" | tail -n 80; return 1; }
  grep -o 'No issues found' "$log"
}
