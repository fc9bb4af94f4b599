# As whom the service runs. Sourced after common.sh.

# Started by root, it does not stay root: it runs as a system user of its own. Sets SERVICE_AS, and
# SERVER and WEB_DIR to what that user can read.
service_identity() {
  SERVICE_AS=()
  SERVER=$PWD/target/release/ember-server
  WEB_DIR=$PWD/web/dist
  STAGED=
  [ "$(id -u)" -eq 0 ] || return 0
  local user=zesty-ember
  id "$user" >/dev/null 2>&1 ||
    useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$user" 2>/dev/null ||
    user=nobody
  SERVICE_AS=(setpriv --reuid "$user" --regid "$(id -g "$user")" --clear-groups --no-new-privs)
  if ! "${SERVICE_AS[@]}" test -x "$SERVER" || ! "${SERVICE_AS[@]}" test -r "$WEB_DIR/index.html"; then
    # The project's folder is closed to that user: a copy of what is served.
    STAGED=$(mktemp -d /var/tmp/zesty-ember-served-XXXXXX) || die "no room in /var/tmp; make some"
    cp "$SERVER" "$STAGED/ember-server" && cp -r "$WEB_DIR" "$STAGED/web" && chmod -R go+rX "$STAGED" ||
      die "the application cannot be copied to $STAGED; make room there"
    SERVER=$STAGED/ember-server
    WEB_DIR=$STAGED/web
  fi
}

service_clean_up() {
  [ -z "${STAGED:-}" ] || rm -rf "$STAGED"
}
