# Debian's nginx for a test: the one that is installed, or the package unpacked beside the test, so that no
# service of the machine is started. Sourced after common.sh. Sets NGINX_PROGRAM.
nginx_find() {
  local folder=$1
  NGINX_PROGRAM=$(command -v nginx || ls /usr/sbin/nginx 2>/dev/null) && return 0
  command -v apt-get >/dev/null || die "nginx is missing and there is no apt-get here; install it and try again"
  mkdir -p "$folder" || die "no room in $folder"
  (
    cd "$folder" || exit 1
    apt-get download -qq nginx >/dev/null 2>&1 || {
      # The package lists of a fresh machine are empty or old; an administrator renews them.
      if [ "$(id -u)" -eq 0 ]; then apt-get update -qq; else sudo -n apt-get update -qq; fi >/dev/null 2>&1
      apt-get download -qq nginx
    } >/dev/null
    dpkg -x nginx_*.deb .
  ) || die "nginx cannot be fetched; install it with: apt-get install nginx"
  NGINX_PROGRAM=$folder/usr/sbin/nginx
}
