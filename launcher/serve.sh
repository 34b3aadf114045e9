# Starting, watching and stopping the database and the server.

launch_jar() { # child, port, then the server's arguments
  local child=$1 port=$2
  shift 2
  # A gigabyte is ample: a score of 200 pages is read within half of it.
  java -Xmx1g -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -XX:+ExitOnOutOfMemoryError -Djava.io.tmpdir="$STATE/tmp" -jar "$JAR" \
    --server.port="$port" "$@" >>"$STATE/$child.log" 2>&1 9>&- &
  echo $! >"$STATE/$child.pid"
  # That it was killed is told by whoever watches it, in a sentence.
  disown
}

launch_server() { launch_jar server "$PORT" "$@"; } # the server's arguments

healthy_at() { curl -fs --max-time 5 "http://127.0.0.1:$1/actuator/health" >/dev/null 2>&1; } # port

healthy() { healthy_at "$PORT"; }

# Whatever is served: what has to be there is, nothing else is in the way, and it all stops together.
before_serving() { # the packages it needs besides
  need_packages "$@"
  take_lock
  clear_leftovers
  port_is_taken "$PORT" && fail "port $PORT is taken by another program. Choose one with --port, such as --port $((PORT + 1))."
  build
  trap 'say ""; say "Stopping"; stop_all; exit 0' INT TERM
  trap stop_all EXIT
}

serve() { # name of what is kept, then the server's arguments
  local name=$1
  shift
  before_serving
  start_database
  before_upgrade "$name"
  use_database "$name"
  : >"$STATE/server.log"
  launch_server "$@"
  say "Starting"
  until healthy; do
    lives "$STATE/server.pid" || fail "the server stopped while starting; $STATE/server.log says why. What is kept is untouched."
    sleep 0.2
  done
  after_start "$name"
  echo "http://localhost:$PORT" >"$STATE/address"
  say "Tachylim is ready: http://localhost:$PORT"
  say "Ctrl-C stops it."
  watch_children "$@"
}

# Either may die, by itself or by somebody's hand: it is started again, at once at first and then less and less often,
# until it is healthy again.
watch_children() { # the server's arguments
  local pause=1 since=$SECONDS
  while :; do
    sleep 1 9>&- &
    wait $! || true
    if ! child_runs db; then
      back_off "database" "$STATE/db.log"
      launch_database || say "The database does not start; $STATE/db.log says why"
    elif ! child_runs server; then
      back_off "server" "$STATE/server.log"
      launch_server "$@"
    elif [ "$pause" -gt 1 ] && [ $((SECONDS - since)) -gt 5 ] && healthy; then
      pause=1
    fi
  done
}

# Uses and lengthens the pause of its caller.
back_off() { # what stopped, its log
  say "The $1 stopped by itself ($2 says why); starting it again in $pause s"
  sleep "$pause" 9>&- &
  wait $! || true
  pause=$((pause < 60 ? pause * 2 : 60))
  since=$SECONDS
}

stop_running() {
  [ -d "$STATE" ] || { say "Nothing runs."; return; }
  prepare_home
  if ! is_locked; then
    clear_leftovers
    say "Nothing runs."
    return
  fi
  check_pid_file "$STATE/launcher.pid"
  local launcher
  launcher=$(cat "$STATE/launcher.pid" 2>/dev/null || true)
  [[ $launcher =~ ^[0-9]+$ ]] && tr '\0' ' ' 2>/dev/null <"/proc/$launcher/cmdline" | grep -q tachylim ||
    fail "something holds $STATE/lock, and it is not known what; look for its window and stop it there."
  kill "$launcher" 2>/dev/null || true
  for _ in $(seq 1 600); do
    is_locked || break
    sleep 0.1
  done
  is_locked && fail "it does not stop: process $launcher still runs. Nothing is lost by ending it with kill -9 $launcher."
  ! any_child_runs || clear_leftovers
  say "Stopped."
}
