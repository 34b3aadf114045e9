# What has to be on the machine, and how it gets there.

node_is_new_enough() {
  command -v node >/dev/null && command -v npm >/dev/null &&
    [ "$(printf '%s\n' "$NODE_LEAST" "$(node --version | tr -d v)" | sort -V | head -1)" = "$NODE_LEAST" ]
}

java_is_17_or_newer() {
  command -v javac >/dev/null && [ "$(javac -version 2>&1 | sed 's/[^0-9]*\([0-9]*\).*/\1/')" -ge 17 ]
}

# What makes a database a node of a cluster, wherever Debian has put it.
galera_provider() {
  local file
  for file in /usr/lib/galera/libgalera_smm.so /usr/lib/libgalera_smm.so /usr/lib/*/galera/libgalera_smm.so; do
    [ ! -e "$file" ] || { echo "$file"; return; }
  done
  return 1
}

# Debian packages for the commands that are missing.
need_packages() {
  local wanted=()
  java_is_17_or_newer || wanted+=(openjdk-17-jdk-headless)
  command -v mvn >/dev/null || wanted+=(maven)
  command -v mariadbd >/dev/null && command -v mariadb-install-db >/dev/null || wanted+=(mariadb-server)
  command -v curl >/dev/null || wanted+=(curl)
  command -v flock >/dev/null || wanted+=(util-linux)
  command -v npm >/dev/null || wanted+=(nodejs npm)
  if [ "${1:-}" = cluster ]; then
    command -v haproxy >/dev/null || [ -x /usr/sbin/haproxy ] || wanted+=(haproxy)
    galera_provider >/dev/null || wanted+=(galera-4)
    command -v rsync >/dev/null || wanted+=(rsync)
  fi
  if [ "${1:-}" = browser ]; then
    [ -x /usr/bin/chromium ] || wanted+=(chromium)
    command -v shellcheck >/dev/null || wanted+=(shellcheck)
  fi
  [ ${#wanted[@]} -eq 0 ] && return
  if [ "$(id -u)" -ne 0 ]; then
    fail "these Debian packages are missing; install them with
  sudo apt-get update && sudo apt-get install -y --no-install-recommends ${wanted[*]}
and call this again."
  fi
  say "Installing from Debian: ${wanted[*]}"
  apt-get update -qq
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${wanted[@]}" >/dev/null
}

need_node() {
  node_is_new_enough && return
  local own=$STATE/node/node_modules/node/bin
  if [ ! -x "$own/node" ]; then
    say "Node is older than $NODE_LEAST; taking a newer one from npm into $STATE/node"
    mkdir -p "$STATE/node"
    npm install --silent --no-fund --no-audit --prefix "$STATE/node" node@22 >/dev/null
  fi
  export PATH=$own:$PATH
  node_is_new_enough || fail "no Node of at least $NODE_LEAST could be found or installed."
}

# Where a cluster cannot be had, its trial is left out and says why; everything else is tested all the same.
try_cluster_packages() {
  local why
  if ! why=$( (need_packages cluster) 2>&1); then
    say "Without galera and haproxy the trial of several instances is left out"
    export TACHYLIM_NO_CLUSTER="galera or haproxy cannot be installed here: ${why##*$'\n'}"
  fi
}
