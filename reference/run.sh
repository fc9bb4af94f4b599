#!/usr/bin/env bash
# Computes crates/core/tests/data/reference.csv anew with general-purpose Python packages. Not part
# of ./test: the numbers are committed, so that the Rust tests need no Python.
set -euo pipefail
cd "$(dirname "$0")"
venv=$(mktemp -d)
trap 'rm -rf "$venv"' EXIT
python3 -m venv "$venv"
"$venv/bin/pip" install --quiet --requirement requirements.txt
MPLBACKEND=Agg "$venv/bin/python" compute.py >../crates/core/tests/data/reference.csv
