# The processes that are started, what is written down of them, and how they are ended.

# Whatever may have been started, in the order in which it is ended: who asks goes before whom it asks.
CHILDREN=(server instance1 instance2 proxy db node3 node2 node1)

# What the command line of a child holds and that of no other process.
mark_of() {
  case $1 in
    server | instance?) echo "$JAR" ;;
    db) echo "$STATE/db" ;;
    proxy) echo "$(cluster_home)/haproxy.cfg" ;;
    node?) echo "$(cluster_home)/$1.cnf" ;;
  esac
}

name_of() {
  case $1 in
    instance?) echo "instance ${1#instance}" ;;
    db) echo "database" ;;
    node?) echo "node ${1#node}" ;;
    *) echo "$1" ;;
  esac
}

child_runs() { runs "$STATE/$1.pid" "$(mark_of "$1")"; }

any_child_runs() {
  local child
  for child in "${CHILDREN[@]}"; do
    ! child_runs "$child" || return 0
  done
  return 1
}

end_children() {
  local child
  for child in "${CHILDREN[@]}"; do
    end_process "$STATE/$child.pid" "$(mark_of "$child")" "$(name_of "$child")"
  done
  rm -f "$STATE/address"
}

# A directory in the place of a pid file, or one that belongs to somebody else, is no reason to guess.
check_pid_file() {
  [ ! -e "$1" ] || { [ -f "$1" ] && [ -r "$1" ]; } ||
    fail "$1 is no file that can be read, so it cannot be told what runs. Move it away and call this again."
}

# Whether the process in a pid file is alive and really ours (its command line holds the second argument).
runs() {
  local pid
  check_pid_file "$1"
  pid=$(cat "$1" 2>/dev/null) && [[ $pid =~ ^[0-9]+$ ]] && tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -qF -- "$2"
}

# Whether a process that was just started lives; in its first moment it does not have its command line yet.
lives() { kill -0 "$(cat "$1")" 2>/dev/null; }

end_process() { # pid file, what its command line holds, name
  local pid
  if runs "$1" "$2"; then
    pid=$(cat "$1")
    kill "$pid" 2>/dev/null || true
    for _ in $(seq 1 300); do
      kill -0 "$pid" 2>/dev/null || break
      sleep 0.1
    done
    if kill -0 "$pid" 2>/dev/null; then
      say "The $3 does not stop by itself; ending it"
      kill -9 "$pid" 2>/dev/null || true
    fi
  fi
  rm -f "$1"
}

port_is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# A port to listen on, below those that the system lends to whoever calls (32768 and above): it may be taken a minute later.
free_port() {
  local port
  while :; do
    port=$((20000 + RANDOM % 12000))
    port_is_taken "$port" || { echo "$port"; return; }
  done
}

# Everything is kept below one folder; whether that can be written is found out before anything is begun.
prepare_home() {
  mkdir -p "$STATE" 2>/dev/null && chmod 700 "$STATE" 2>/dev/null && : 2>/dev/null >"$STATE/.written" ||
    fail "$STATE cannot be written: the disk is full or read-only, or the folder is not yours. Nothing was begun; name another with TACHYLIM_HOME=FOLDER."
  rm -f "$STATE/.written"
  local free
  free=$(df -Pk "$STATE" | awk 'NR == 2 { print $4 }')
  [ "$free" -ge $((LEAST_FREE_MB * 1024)) ] ||
    fail "only $((free / 1024)) MB are free for $STATE; $LEAST_FREE_MB are needed so that nothing is lost. Make room and call this again."
}

# One launcher at a time holds the lock; the system drops it when the process dies, so it is never stale.
take_lock() {
  prepare_home
  exec 9>"$STATE/lock"
  if ! flock -n 9; then
    local where
    where=$(cat "$STATE/address" 2>/dev/null || echo "another window")
    fail "it runs already, at $where. Stop it there with Ctrl-C, or with ./tachylim stop."
  fi
  echo $$ >"$STATE/launcher.pid"
}

is_locked() { [ -e "$STATE/lock" ] && ! flock -n "$STATE/lock" true; }

# What a killed launcher left running or lying about.
clear_leftovers() {
  local child
  if any_child_runs; then
    say "The last run ended without stopping; stopping what it left behind"
  else
    for child in "${CHILDREN[@]}"; do
      [ -e "$STATE/$child.pid" ] || continue
      say "The last run was cut off; its pid files are stale and are removed"
      break
    done
  fi
  end_children
}

stop_all() {
  end_children
  rm -f "$STATE/launcher.pid"
}
