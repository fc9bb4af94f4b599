# As whom the service runs. Sourced after common.sh.

# Started by root, it does not stay root: it runs as a system user of its own. Sets SERVICE_AS, and
# SERVER and WEB_DIR to what that user can read.
service_identity() {
  SERVICE_AS=()
  SERVER=$PWD/target/debug/ember-server
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
    cp "$SERVER" "${SERVER%/*}/ember-probe" "$STAGED/" && cp -r "$WEB_DIR" "$STAGED/web" && chmod -R go+rX "$STAGED" ||
      die "the application cannot be copied to $STAGED; make room there"
    SERVER=$STAGED/ember-server
    WEB_DIR=$STAGED/web
  fi
}

# A folder that the service alone can enter; started by root, one of its own, since it cannot reach every
# folder that root can. Sets SERVICE_FOLDER.
service_folder() {
  local user
  SERVICE_FOLDER=$1
  if [ "$(id -u)" -ne 0 ]; then
    mkdir -p -m 700 "$SERVICE_FOLDER" || die "the folder $SERVICE_FOLDER cannot be made"
    return 0
  fi
  user=$("${SERVICE_AS[@]}" id -un)
  SERVICE_FOLDER=/var/lib/zesty-ember-$(printf '%s' "$1" | cksum | cut -d' ' -f1)
  mkdir -m 700 "$SERVICE_FOLDER" 2>/dev/null && chown "$user" "$SERVICE_FOLDER"
  if [ -L "$SERVICE_FOLDER" ] || [ "$(stat -c '%U %a' "$SERVICE_FOLDER")" != "$user 700" ]; then
    die "$SERVICE_FOLDER is not a folder of the user $user alone, so it is not used; remove it"
  fi
}

service_clean_up() {
  [ -z "${STAGED:-}" ] || rm -rf "$STAGED"
}
