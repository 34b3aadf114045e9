#!/usr/bin/env bash
# Times two jars from their start until they say they are healthy, in turn, and compares the medians.
set -euo pipefail

OURS=$1
BARE=$2
ROUNDS=${3:-5}
PORT=18099

seconds_until_healthy() { # jar
  local began pid
  began=$(date +%s%N)
  java -XX:+UseSerialGC -jar "$1" --server.port=$PORT >/tmp/tachylim-bench.log 2>&1 &
  pid=$!
  until curl -fs "http://127.0.0.1:$PORT/actuator/health" >/dev/null 2>&1; do
    kill -0 "$pid" 2>/dev/null || { cat /tmp/tachylim-bench.log >&2; exit 1; }
    sleep 0.05
  done
  echo "scale=2; ($(date +%s%N) - $began) / 1000000000" | bc
  kill "$pid"
  wait "$pid" 2>/dev/null || true
}

median() { sort -n | sed -n "$(((ROUNDS + 1) / 2))p"; }

ours=() bare=()
for _ in $(seq "$ROUNDS"); do
  bare+=("$(seconds_until_healthy "$BARE")")
  ours+=("$(seconds_until_healthy "$OURS")")
done
our_median=$(printf '%s\n' "${ours[@]}" | median)
bare_median=$(printf '%s\n' "${bare[@]}" | median)
echo "bare: ${bare[*]} s, median $bare_median s"
echo "ours: ${ours[*]} s, median $our_median s"
echo "ratio: $(echo "scale=2; $our_median / $bare_median" | bc) (wanted: below 1.5)"
