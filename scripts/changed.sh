# What a change can affect, for ./test changed. Sourced.

changed_since() { printf '%s\n' "${CHANGED_SINCE:-main}"; }

# The parts of ./test whose answers can depend on what was changed since CHANGED_SINCE, in the order of ./test.
parts_of_changes() {
  local base files of parts="" part
  base=$(git merge-base "$(changed_since)" HEAD 2>/dev/null) ||
    die "there is no $(changed_since) to compare with; name a commit: CHANGED_SINCE=... ./test changed"
  files=$( (git diff --name-only "$base" && git ls-files --others --exclude-standard) | sort -u)
  for of in $files; do
    case $of in
      crates/model/* | crates/core/*) parts+=" core server contract survival e2e" ;;
      crates/probe/*) parts+=" core e2e" ;;
      crates/*) parts+=" server contract house survival e2e" ;;
      docs/openapi.json | docs/*.schema.json) parts+=" server web" ;;
      web/*) parts+=" web e2e" ;;
      e2e/survival/* | e2e/survival.config.ts) parts+=" survival" ;;
      e2e/*) parts+=" e2e" ;;
      start | scripts/*) parts+=" house survival" ;;
      *.md | docs/* | reference/* | LICENSE*) ;;
      *) parts+=" core server contract house survival web e2e" ;;
    esac
  done
  for part in core server contract house survival web e2e; do
    case "$parts " in *" $part "*) printf '%s ' "$part" ;; esac
  done
}
