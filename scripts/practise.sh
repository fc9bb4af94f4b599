# The thermometer that ./start --practice-thermometer plays. Sourced.

# A thermometer that is played: it waits until its first channel is tied to a cook, and plays that one.
practise() {
  command -v curl >/dev/null || install_debian curl
  local url=http://$HOST:$PORT id=0e1be700-0000-4000-8000-000000000001 token
  until curl -fs "$url/api/health" >/dev/null; do
    kill -0 "$SERVER_PID" 2>/dev/null || return
    sleep 1
  done
  curl -fs -H 'Content-Type: application/json' -d '{"name":"Practice thermometer"}' \
    "$url/api/thermometers?id=$id" >/dev/null ||
    { say "practice thermometer: where one signs in, press Try one in a running cook"; return; }
  token=$(curl -fs -X POST "$url/api/thermometers/$id/address" |
    node -pe 'JSON.parse(require("fs").readFileSync(0)).token')
  say "practice thermometer: in a running cook press Change and tie its channel 1"
  while kill -0 "$SERVER_PID" 2>/dev/null; do
    setpriv --pdeathsig TERM target/debug/ember-probe --url "$url" --token "$token" --follow \
      --seed "$RANDOM" || sleep 5
  done
}
