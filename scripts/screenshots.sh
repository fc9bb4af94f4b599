#!/usr/bin/env bash
# Renews docs/screenshots from the demo kitchen.
set -u
cd "$(dirname "$(readlink -f "$0")")/.." || exit 1
. scripts/common.sh
. scripts/postgres.sh
. scripts/stages.sh

need_compilers
scratch=$(mktemp -d /var/tmp/zesty-ember-pictures-XXXXXX)
PG_PID=
trap 'postgres_stop; rm -rf "$scratch"' EXIT
start_throw_away_cluster
chromium_install || die "no browser to take pictures with; see above"
npm_install web
npm_install e2e
npm --prefix web run --silent build && build_server || die "the build failed; see above"
(cd e2e && npx playwright test --config pictures.config.ts)
