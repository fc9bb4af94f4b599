#!/usr/bin/env bash
# Computes crates/core/tests/all/data/reference.csv anew with general-purpose Python packages; with "peers",
# times their solvers on the linear reference of the benchmarks instead. Not part of ./test: the numbers
# are committed, so that the Rust tests need no Python.
set -euo pipefail
cd "$(dirname "$0")"
venv=$(mktemp -d)
trap 'rm -rf "$venv"' EXIT
python3 -m venv "$venv"
"$venv/bin/pip" install --quiet --requirement requirements.txt
if [ "${1:-}" = peers ]; then
  MPLBACKEND=Agg "$venv/bin/python" peers.py
else
  MPLBACKEND=Agg "$venv/bin/python" compute.py >../crates/core/tests/all/data/reference.csv
fi
