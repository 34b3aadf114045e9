# The tests: everything is built once, then its parts are run, each with a log of its own.

# Those that take minutes by their nature (kills, clusters, upgrades under load, a thousand workouts) run with "test long".
QUICK=(-Dtest.excluded=long)

declare -A PART_PID=() PART_FROM=() PART_TOOK=()
PARTS=()

# Begins a part; what it says stands in its log.
part() { # name, then the command
  local name=$1
  shift
  PARTS+=("$name")
  PART_FROM[$name]=$SECONDS
  # It may end long before anybody waits for it: it says itself when.
  (trap 'echo "$SECONDS" >"$STATE/$name.ended"' EXIT && "$@") >"$STATE/$name.log" 2>&1 9>&- &
  PART_PID[$name]=$!
}

# Waits for a part to end; what has failed is shown at once.
await_part() { # name
  local name=$1 failed=0
  wait "${PART_PID[$name]}" || failed=$?
  PART_TOOK[$name]=$(($(cat "$STATE/$name.ended" 2>/dev/null || echo "$SECONDS") - PART_FROM[$name]))
  [ "$failed" -ne 0 ] || return 0
  FAILED+=("$name")
  say "--- $name failed; the end of $STATE/$name.log:"
  grep -v '^\[INFO\]\|^$' "$STATE/$name.log" | cut -c1-300 | tail -n 60
  return "$failed"
}

# --- what is built ----------------------------------------------------------------------------------

maven() { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 mvn -B -ntp -f "$ROOT/pom.xml" "$@"; }

# What other modules build on is put where they find it when they are built by themselves.
pack_core() { maven -q install -DskipTests -pl .,core,shown,browser; }

pack_server() { maven -q verify -DskipTests -pl server,e2e; }

build_pages() {
  cd "$ROOT/web"
  npm run --silent build
  npm run --silent weight
}

# What can be said of the pages before the core is there.
check_pages() {
  cd "$ROOT/web"
  npm run --silent check
}

test_pages() {
  cd "$ROOT/web"
  NO_COLOR=1 npm run --silent test
}

check_scripts() { shellcheck --check-sourced "$ROOT/tachylim" "$ROOT/launcher/cluster/node-is-ready" "$ROOT/bench/startup.sh"; }

# --- what is run ------------------------------------------------------------------------------------

# The tests of one module, against what was packed before.
run_module() { # module, forks, then further arguments
  local module=$1 forks=$2
  shift 2
  maven surefire:test -pl "$module" -Dtest.forks="$forks" "$@"
}

start_test_database() {
  rm -rf "$STATE/db"
  set_up_database
  # Installations that tests lay begin with a copy of this.
  rm -rf "$STATE/empty-db"
  cp -r "$STATE/db" "$STATE/empty-db"
  export TACHYLIM_EMPTY_DB=$STATE/empty-db
  # Nothing of it outlives the tests, so nothing has to reach the disk.
  DB_OPTIONS=(--innodb-flush-log-at-trx-commit=0 --skip-innodb-doublewrite --max-connections=400)
  start_database
}

# What all tests need: packages, a database, and the core; with what can be said of the pages meanwhile where that is wanted.
prepare_tests() { # nothing, or pages
  need_packages browser
  need_node
  STATE=$STATE/test
  take_lock
  clear_leftovers
  trap stop_tests EXIT
  rm -f "$STATE"/*.{log,ended} "$ROOT"/{core,server,e2e}/target/surefire-reports/TEST-*.xml
  part "npm" fetch_web_packages
  part "core, packed" pack_core
  start_test_database
  await_part "npm"
  [ "${1:-}" != pages ] || part "pages, checked" check_pages
  await_part "core, packed"
}

pack_all() {
  part "pages, built" build_pages
  await_part "pages, built"
  part "server, packed" pack_server
}

stop_tests() {
  local name
  for name in "${PARTS[@]}"; do
    [ -n "${PART_TOOK[$name]:-}" ] || kill "${PART_PID[$name]}" 2>/dev/null || true
  done
  stop_all
}

run_tests() { # which: nothing for all that is quick
  SECONDS=0
  FAILED=()
  case ${1:-quick} in
    core)
      prepare_tests
      part "core" run_module core 2 "${QUICK[@]}"
      ;;
    web)
      prepare_tests pages
      part "pages, tested" test_pages
      await_part "pages, tested" || true
      part "pages, built" build_pages
      ;;
    server)
      prepare_tests
      pack_all
      await_part "server, packed"
      part "server" run_module server 2 "${QUICK[@]}"
      ;;
    e2e)
      prepare_tests
      pack_all
      await_part "server, packed"
      part "e2e" run_module e2e 2 "${QUICK[@]}"
      ;;
    cluster)
      try_cluster_packages
      prepare_tests
      pack_all
      await_part "server, packed"
      part "cluster" run_module e2e 1 -Dtest.groups=cluster
      ;;
    long)
      try_cluster_packages
      prepare_tests
      pack_all
      await_part "server, packed"
      for module in core server e2e; do
        part "$module, long" run_module "$module" 1 -Dtest.groups=long
        await_part "$module, long" || true
      done
      ;;
    quick)
      # One after another with two forks each: two cores carry no more, and pages that are waited for want them to themselves.
      prepare_tests pages
      part "scripts" check_scripts
      pack_all
      part "pages, tested" test_pages
      await_part "server, packed"
      await_part "pages, checked" || true
      await_part "pages, tested" || true
      for module in core server e2e; do
        part "$module" run_module "$module" 2 "${QUICK[@]}"
        await_part "$module" || true
      done
      ;;
    *) usage >&2; exit 2 ;;
  esac
  local name
  for name in "${PARTS[@]}"; do
    [ -n "${PART_TOOK[$name]:-}" ] || await_part "$name" || true
  done
  print_tests
  [ ${#FAILED[@]} -eq 0 ] || fail "failed: ${FAILED[*]}"
}

# Where the time went: the parts, some of which overlap, and the classes that took longest.
print_tests() {
  local name
  say "Where the time went (some parts run side by side):"
  for name in "${PARTS[@]}"; do
    printf '%5d s to %4d s  %s\n' "${PART_FROM[$name]}" $((PART_FROM[$name] + PART_TOOK[$name])) "$name"
  done
  say "Of the tests, the classes that took longest:"
  suites | sort -rn | awk 'NR <= 12 { printf "%5.0f s  %s (%d)\n", $1, $2, $3 }'
  printf '%5d s in all\n' "$SECONDS"
  grep -h -E '^ +Tests +' "$STATE/pages, tested.log" 2>/dev/null || true
  suites | awk '{ all += $3; bad += $4 + $5; skipped += $6 } END { printf "%d passed, %d failed, %d skipped\n", all - bad - skipped, bad, skipped }'
}

# Of each class of tests: seconds, name, tests, failures, errors, skipped.
suites() {
  { find "$ROOT"/{core,server,e2e}/target/surefire-reports -name 'TEST-*.xml' -exec grep -h -o '<testsuite [^>]*' {} + 2>/dev/null || true; } |
    sed -E 's/.* name="([^"]*)" time="([^"]*)" tests="([^"]*)" errors="([^"]*)" skipped="([^"]*)" failures="([^"]*)".*/\2 \1 \3 \6 \4 \5/; s/,//'
}

# A database for tests that are run from elsewhere, until Ctrl-C.
run_test_database() {
  need_packages
  STATE=$STATE/test
  take_lock
  clear_leftovers
  trap stop_all EXIT
  trap 'exit 0' INT TERM
  start_test_database
  say "export TACHYLIM_DB_HOST=$TACHYLIM_DB_HOST TACHYLIM_DB_USER=$TACHYLIM_DB_USER TACHYLIM_DB_PASSWORD=$TACHYLIM_DB_PASSWORD TACHYLIM_EMPTY_DB=$TACHYLIM_EMPTY_DB"
  say "Ctrl-C stops it."
  while child_runs db; do
    sleep 1 9>&- &
    wait $! || true
  done
}

# Whether the tests of the rules notice when a rule is changed: hours for all four packages, less for a class or two.
run_mutants() { # load, method, ceiling or workout, by its own tests; nothing for all of them by all tests
  need_packages
  local -a only=()
  [ -z "${1:-}" ] || only=("-DtargetClasses=tachylim.$1.*" "-DtargetTests=tachylim.$1.*")
  maven -q -pl core test-compile org.pitest:pitest-maven:mutationCoverage -Dtest.excluded=long "${only[@]}"
  say "The survivors are in core/target/pit-reports; of each class, how many changed rules were noticed:"
  tr '>' '\n' <"$ROOT/core/target/pit-reports/mutations.xml" |
    awk '/<mutation /{ status = $0 ~ /detected=.true/ } /<\/mutatedClass/{ sub(/<.*/, ""); all[$0]++; if (status) killed[$0]++ }
      END { for (one in all) { printf "%4d of %4d  %3d%%  %s\n", killed[one], all[one], 100 * killed[one] / all[one], one; k += killed[one]; a += all[one] }
            printf "%4d of %4d  %3d%%  in all\n", k, a, 100 * k / a }' | sort -k4
}
