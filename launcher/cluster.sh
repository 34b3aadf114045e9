# Three nodes of one database, two instances, and haproxy before both: on loopback, as an example for real machines.

NODES=(node1 node2 node3)
INSTANCES=(instance1 instance2)

# Where the nodes keep their data. They run as mysql where they can, who may not look into whatever folder this was put in.
cluster_home() {
  if [ "$(id -u)" -eq 0 ]; then
    echo "/var/lib/tachylim/$(printf %s "$STATE" | cksum | cut -d' ' -f1)"
  else
    echo "$STATE/cluster"
  fi
}

node_owner() { if [ "$(id -u)" -eq 0 ]; then echo mysql; else id -un; fi; }

at_node() { # node, statement, seconds at the most: a node that hangs says nothing
  timeout "${3:-60}" mariadb --no-defaults --socket="$CLUSTER/$1.sock" --batch --skip-column-names -e "$2" 2>/dev/null
}

node_says() { # node, status variable
  at_node "$1" "SELECT variable_value FROM information_schema.global_status WHERE variable_name = '$2'" 2
}

node_is_synced() { [ "$(node_says "$1" wsrep_local_state_comment)" = Synced ]; }

node_has_left() { [ "$(node_says "$1" wsrep_connected)" = OFF ]; }

# --- what is written down ---------------------------------------------------------------------------

# Each port stays what it is for as long as the cluster runs: what comes back, comes back there.
choose_ports() {
  local part
  declare -gA PORTS=()
  for part in node{1,2,3}-{sql,group,catch-up,copy} instance{1,2} database; do
    PORTS[$part]=$(another_port)
  done
}

another_port() {
  local port
  while :; do
    port=$(free_port)
    [[ " ${PORTS[*]} " == *" $port "* ]] || { echo "$port"; return; }
  done
}

fill_in() { # template, file, then NAME=value
  local template=$1 file=$2 text name value
  shift 2
  text=$(<"$template")
  for value in "HOME=$CLUSTER" "$@"; do
    name=${value%%=*}
    text=${text//@$name@/"${value#*=}"}
  done
  printf '%s\n' "$text" >"$file"
}

write_node() { # node
  fill_in "$ROOT/launcher/cluster/node.cnf" "$CLUSTER/$1.cnf" "NODE=$1" "PORT=${PORTS[$1-sql]}" \
    "GROUP_PORT=${PORTS[$1-group]}" "CATCH_UP_PORT=${PORTS[$1-catch-up]}" "COPY_PORT=${PORTS[$1-copy]}" \
    "PROVIDER=$(galera_provider)" "MEMBERS=127.0.0.1:${PORTS[node1-group]},127.0.0.1:${PORTS[node2-group]},127.0.0.1:${PORTS[node3-group]}"
}

write_proxy() {
  local who=""
  [ "$(id -u)" -ne 0 ] || who=$'  user haproxy\n  group haproxy'
  fill_in "$ROOT/launcher/cluster/haproxy.cfg" "$CLUSTER/haproxy.cfg" "AS_WHOM=$who" "WEB_PORT=$PORT" "DATABASE_PORT=${PORTS[database]}" \
    "PORT1=${PORTS[node1-sql]}" "PORT2=${PORTS[node2-sql]}" "PORT3=${PORTS[node3-sql]}" \
    "INSTANCE1=${PORTS[instance1]}" "INSTANCE2=${PORTS[instance2]}"
  install -m 755 "$ROOT/launcher/cluster/node-is-ready" "$CLUSTER/node-is-ready"
  install -m 644 "$ROOT/launcher/cluster/away.http" "$CLUSTER/away.http"
  (umask 077 && printf '[client]\nuser=tachylim_watch\npassword=%s\nconnect-timeout=2\n' "$(secret_in "$STATE/watch-password")" >"$CLUSTER/watch.cnf")
  [ "$(id -u)" -ne 0 ] || { chgrp haproxy "$CLUSTER/watch.cnf" && chmod 640 "$CLUSTER/watch.cnf"; }
}

prepare_cluster() {
  local node
  CLUSTER=$(cluster_home)
  mkdir -p "$CLUSTER" "$STATE/tmp" && chmod 755 "$CLUSTER" && chmod 700 "$STATE/tmp" || fail "$CLUSTER cannot be written."
  choose_ports
  if [ -d "$CLUSTER/node1" ] && [ ! -e "$CLUSTER/node1/.initialised" ] && [ ! -e "$CLUSTER/node1/grastate.dat" ]; then
    say "The cluster was only half set up; setting it up again"
    rm -rf "$CLUSTER"/node[123]
  fi
  for node in "${NODES[@]}"; do
    write_node "$node"
    mkdir -p "$CLUSTER/$node"
  done
  if [ ! -e "$CLUSTER/node1/.initialised" ] && [ ! -e "$CLUSTER/node1/grastate.dat" ]; then
    say "Setting up a cluster in $CLUSTER"
    mariadb-install-db --no-defaults --datadir="$CLUSTER/node1" --user="$(node_owner)" --skip-test-db \
      --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" >"$STATE/cluster-setup.log" 2>&1 ||
      fail "the cluster could not be set up; $STATE/cluster-setup.log says why."
    touch "$CLUSTER/node1/.initialised"
  fi
  if [ "$(id -u)" -eq 0 ]; then
    chown mysql:mysql "$CLUSTER" "$CLUSTER"/node[123]
    chown -R mysql:mysql "$CLUSTER/node1"
  fi
  write_proxy
}

# --- the nodes --------------------------------------------------------------------------------------

# Up to where a node has kept everything: its own word after a clean end, what its log recovers otherwise.
position_of() { # node
  local position
  position=$(sed -n 's/^uuid: *//p' "$CLUSTER/$1/grastate.dat" 2>/dev/null):$(sed -n 's/^seqno: *//p' "$CLUSTER/$1/grastate.dat" 2>/dev/null)
  if [[ $position == *:-1 ]]; then
    mariadbd --defaults-file="$CLUSTER/$1.cnf" --user="$(node_owner)" --wsrep-recover --log-error="$CLUSTER/$1.recover.log" >/dev/null 2>&1 9>&- || true
    position=$(sed -n 's/.*Recovered position: *//p' "$CLUSTER/$1.recover.log" 2>/dev/null | tail -n 1)
    rm -f "$CLUSTER/$1.recover.log"
  fi
  [[ $position =~ ^[0-9a-f-]+:[0-9]+$ ]] && [[ $position != 00000000-* ]] && echo "$position"
}

launch_node() { # node, then further arguments
  local node=$1 position
  shift
  local -a from=()
  position=$(position_of "$node") && from=(--wsrep-start-position="$position")
  rm -f "$CLUSTER/$node.sock"
  mariadbd --defaults-file="$CLUSTER/$node.cnf" --user="$(node_owner)" "${from[@]}" "$@" >/dev/null 2>&1 9>&- &
  echo $! >"$STATE/$node.pid"
  disown
}

await_node() { # node
  local _
  for _ in $(seq 1 600); do
    ! node_is_synced "$1" || return 0
    lives "$STATE/$1.pid" || fail "$(name_of "$1") stopped while starting; $CLUSTER/$1.log says why."
    sleep 0.2
  done
  fail "$(name_of "$1") does not join the others; $CLUSTER/$1.log says why."
}

# The node that has kept most begins, and the others take from it what they lack.
first_node() {
  local node position best=node1 most=-1
  for node in "${NODES[@]}"; do
    position=$(position_of "$node") || continue
    if [ "${position##*:}" -gt "$most" ]; then
      most=${position##*:}
      best=$node
    fi
  done
  echo "$best"
}

start_nodes() {
  local first node password
  first=$(first_node)
  # What a cut-off run thought of who was there is no longer so.
  rm -f "$CLUSTER"/node[123]/gvwstate.dat
  [ ! -e "$CLUSTER/$first/grastate.dat" ] || sed -i 's/^safe_to_bootstrap:.*/safe_to_bootstrap: 1/' "$CLUSTER/$first/grastate.dat"
  say "Starting three nodes"
  launch_node "$first" --wsrep-new-cluster
  await_node "$first"
  for node in "${NODES[@]}"; do
    [ "$node" != "$first" ] || continue
    launch_node "$node"
    await_node "$node"
  done
  password=$(secret_in "$STATE/password")
  at_node "$first" "CREATE USER IF NOT EXISTS tachylim@'127.0.0.1'; ALTER USER tachylim@'127.0.0.1' IDENTIFIED BY '$password';
    GRANT ALL ON \`tachylim%\`.* TO tachylim@'127.0.0.1';
    CREATE USER IF NOT EXISTS tachylim_watch@'127.0.0.1'; ALTER USER tachylim_watch@'127.0.0.1' IDENTIFIED BY '$(secret_in "$STATE/watch-password")';
    CREATE DATABASE IF NOT EXISTS tachylim_demo" || fail "the nodes started, but take no users; $CLUSTER/$first.log says why."
  export TACHYLIM_DB_USER=tachylim TACHYLIM_DB_PASSWORD=$password TACHYLIM_DB_HOST=127.0.0.1:${PORTS[database]}
  export TACHYLIM_DB_URL=jdbc:mariadb://$TACHYLIM_DB_HOST/tachylim_demo
}

# --- what stands before them ------------------------------------------------------------------------

launch_proxy() {
  PATH=$PATH:/usr/sbin haproxy -db -f "$CLUSTER/haproxy.cfg" >>"$STATE/proxy.log" 2>&1 9>&- &
  echo $! >"$STATE/proxy.pid"
  disown
}

launch_instance() { # instance
  # What the proxy says of who asks is believed, of nobody else. An instance gets everything ready before it says that it is:
  # nobody waits for its start, since others are there.
  TACHYLIM_FORWARDED=native TACHYLIM_PROXY='127\.0\.0\.1' launch_jar "$1" "${PORTS[$1]}" --tachylim.demo=true \
    --spring.main.lazy-initialization=false --spring.data.jpa.repositories.bootstrap-mode=default
}

launch_child() { # child
  case $1 in
    node?) launch_node "$1" ;;
    proxy) launch_proxy ;;
    instance?) launch_instance "$1" ;;
  esac
}

run_cluster() {
  local instance
  before_serving cluster
  prepare_cluster
  start_nodes
  launch_proxy
  say "Starting two instances"
  for instance in "${INSTANCES[@]}"; do
    : >"$STATE/$instance.log"
    launch_instance "$instance"
  done
  for instance in "${INSTANCES[@]}"; do
    until healthy_at "${PORTS[$instance]}"; do
      lives "$STATE/$instance.pid" || fail "$(name_of "$instance") stopped while starting; $STATE/$instance.log says why."
      lives "$STATE/proxy.pid" || fail "haproxy stopped while starting; $STATE/proxy.log says why."
      sleep 0.2
    done
  done
  write_map
  echo "http://localhost:$PORT" >"$STATE/address"
  say "Tachylim is ready: http://localhost:$PORT"
  say "The instances: http://localhost:${PORTS[instance1]} and http://localhost:${PORTS[instance2]}; what is where stands in $STATE/cluster.map"
  say "Ctrl-C stops it."
  watch_cluster
}

# Where everything is, for whoever wants to look at a part by itself.
write_map() {
  local part
  {
    for part in "${!PORTS[@]}"; do
      echo "$part ${PORTS[$part]}"
    done
    echo "web $PORT"
    echo "home $CLUSTER"
  } | sort >"$STATE/cluster.map"
}

# A node comes back when the others have given up the one that it was: else they have to agree on both at once.
NODE_PAUSE=4

# A node that could not agree with the others any more gives them up for good, and runs on all the same: it is ended, so that
# it begins anew.
LOOKS_EVERY=5

look_after() { # node; keeps what it saw in look and left of its caller
  [ "$SECONDS" -ge "${look[$1]:-0}" ] || return 0
  look[$1]=$((SECONDS + LOOKS_EVERY))
  if ! node_has_left "$1"; then
    left[$1]=0
    return 0
  fi
  left[$1]=$((${left[$1]:-0} + 1))
  case ${left[$1]} in
    2)
      say "The $(name_of "$1") has lost the others and does not come back by itself; ending it"
      kill "$(cat "$STATE/$1.pid")" 2>/dev/null || true
      ;;
    4) kill -9 "$(cat "$STATE/$1.pid")" 2>/dev/null || true ;;
  esac
}

# Whatever dies is started again where it was: soon, and then less and less often until it stays for a while.
watch_cluster() {
  local child least
  local -A pause=() due=() since=() look=() left=()
  while :; do
    sleep 1 9>&- &
    wait $! || true
    for child in "${NODES[@]}" proxy "${INSTANCES[@]}"; do
      if child_runs "$child"; then
        [ "$SECONDS" -lt $((${since[$child]:-0} + 60)) ] || pause[$child]=0
        [[ $child != node* ]] || look_after "$child"
      elif [ -z "${due[$child]:-}" ]; then
        [[ $child == node* ]] && least=$NODE_PAUSE || least=0
        due[$child]=$((SECONDS + (${pause[$child]:-0} > least ? pause[$child] : least)))
        pause[$child]=$((${pause[$child]:-0} == 0 ? 1 : pause[$child] < 32 ? pause[$child] * 2 : 60))
      fi
      if [ -n "${due[$child]:-}" ] && [ "$SECONDS" -ge "${due[$child]}" ]; then
        say "The $(name_of "$child") stopped by itself; starting it again"
        launch_child "$child"
        since[$child]=$SECONDS
        left[$child]=0
        due[$child]=
      fi
    done
  done
}
