#!/usr/bin/env bash
# bench/since.sh [ROUNDS]: how long a drag takes against the recorded commit (bench/baseline), by turns in one run.
# Fails when it takes over one and a half times as long in three of five.
set -euo pipefail
cd "$(dirname "$0")/.."
ROUNDS=${1:-5}
BASELINE=$(cat bench/baseline)
git cat-file -e "$BASELINE^{commit}" 2>/dev/null || { echo "The recorded commit $BASELINE is not in this clone: fetch its history." >&2; exit 1; }
THERE=$PWD/.data/baseline
git worktree remove --force "$THERE" 2>/dev/null || true
git worktree add --quiet --detach "$THERE" "$BASELINE"
trap 'git worktree remove --force "$THERE"' EXIT
ln -s "$PWD/node_modules" "$THERE/node_modules"
cp bench/drag.bench.ts bench/rigs.bench.ts bench/index.ts "$THERE/bench/"
slow=0
for round in $(seq 1 "$ROUNDS"); do
  was=$(cd "$THERE" && node --import tsx bench/drag.bench.ts)
  now=$(node --import tsx bench/drag.bench.ts)
  ratio=$(awk "BEGIN { printf \"%.2f\", $now / $was }")
  echo "a drag, round $round: $ratio of what it took at ${BASELINE:0:8} ($now and $was ms)"
  awk "BEGIN { exit !($ratio > 1.5) }" && slow=$((slow + 1))
done
if [ $((slow * 5)) -ge $((ROUNDS * 3)) ]; then
  echo "A drag takes over 1.5 times as long as at the recorded commit, in $slow of $ROUNDS" >&2
  exit 1
fi
