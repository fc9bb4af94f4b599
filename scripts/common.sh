# Shared by ./start and ./test: messages, and installing what is missing. Sourced.

say() { printf '%s\n' "$*"; }
die() { printf 'zesty ember: %s\n' "$*" >&2; exit 1; }

# Installs Debian packages, directly as root or with sudo that asks for no password.
install_debian() {
  command -v apt-get >/dev/null ||
    die "$* missing and there is no apt-get here; install it by hand and start again"
  local as_root=()
  if [ "$(id -u)" -ne 0 ]; then
    sudo -n true 2>/dev/null ||
      die "$* missing; ask an administrator for: apt-get install $*"
    as_root=(sudo -n)
  fi
  say "installing $*"
  # The package lists of a fresh machine are empty or old.
  "${as_root[@]}" apt-get update -qq >/dev/null ||
    die "apt-get update failed; check the network and start again"
  "${as_root[@]}" env DEBIAN_FRONTEND=noninteractive \
    apt-get install -y -qq --no-install-recommends "$@" >/dev/null ||
    die "apt-get install $* failed; install it by hand and start again"
}

# The browser for tests and pictures; where Debian cannot be reached, a Chromium that is there already.
chromium_install() {
  command -v chromium-headless-shell >/dev/null ||
    (install_debian chromium-headless-shell) || command -v chromium >/dev/null
}

need_compilers() {
  command -v cargo >/dev/null ||
    die "cargo is missing; install Rust 1.95 or later (rustup.rs) and start again"
  command -v node >/dev/null && command -v npm >/dev/null ||
    die "node and npm are missing; install Node.js 20 or later and start again"
  command -v cc >/dev/null || install_debian gcc libc6-dev
  [ -e /usr/include/postgresql/libpq-fe.h ] || command -v pg_config >/dev/null ||
    install_debian libpq-dev
}

# npm packages, only when the lock file is newer than what is installed.
npm_install() {
  if [ ! -e "$1/node_modules/.package-lock.json" ] ||
     [ "$1/package-lock.json" -nt "$1/node_modules/.package-lock.json" ]; then
    (cd "$1" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund --loglevel=error) ||
      die "npm ci in $1 failed; check the network and start again"
    touch "$1/node_modules/.package-lock.json"
  fi
}

# True when nothing below the given sources is newer than the product.
fresh() {
  local product=$1
  shift
  [ -e "$product" ] && [ -z "$(find "$@" -newer "$product" -type f -print -quit)" ]
}

build_web() {
  npm_install web
  fresh web/dist/index.html web/src web/index.html web/vite.config.ts web/package-lock.json ||
    (cd web && npm run --silent build) || die "the web application did not build; see above"
}

# Builds the service. On a terminal the compiler tells how far it is; elsewhere a line is written every ten seconds.
build_server() {
  local build=(cargo build --package ember-server --package ember-probe) shown=0 part now
  say "the service: what is new is compiled"
  if [ -t 2 ]; then
    "${build[@]}" || die "the server did not build; see above"
    return
  fi
  CARGO_TERM_PROGRESS_WHEN=always CARGO_TERM_PROGRESS_WIDTH=80 "${build[@]}" 2>&1 | tr '\r' '\n' |
    while read -r part; do
      if [[ $part =~ ([0-9]+)/([0-9]+)(:|$) ]]; then
        now=$(date +%s)
        [ $((now - shown)) -lt 10 ] || { say "the service: ${BASH_REMATCH[1]} of ${BASH_REMATCH[2]} crates are built"; shown=$now; }
      elif [[ $part =~ ^(error|warning)[:[] ]]; then
        say "$part"
      fi
    done
  [ "${PIPESTATUS[0]}" -eq 0 ] || { "${build[@]}" --quiet; die "the server did not build; see above"; }
}
