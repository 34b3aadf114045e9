# The private database: set up once, on loopback only, with a generated password.

socket() {
  local path=$STATE/db.sock
  # A socket's path has room for about a hundred characters.
  [ ${#path} -lt 100 ] || path=/tmp/tachylim-$(id -u)-$(printf %s "$STATE" | cksum | cut -d' ' -f1).sock
  echo "$path"
}

sql() { mariadb --no-defaults --socket="$(socket)" -e "$1"; }

# One value, or the values of one column.
ask() { mariadb --no-defaults --socket="$(socket)" --batch --skip-column-names -e "$1"; }

set_up_database() {
  if [ -d "$STATE/db" ] && [ ! -e "$STATE/db/.initialised" ]; then
    say "The database was only half set up; setting it up again"
    rm -rf "$STATE/db"
  fi
  if [ ! -d "$STATE/db" ]; then
    say "Setting up a private database in $STATE/db"
    mariadb-install-db --no-defaults --datadir="$STATE/db" --user="$(id -un)" --skip-test-db \
      --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" >"$STATE/db-setup.log" 2>&1 ||
      fail "the database could not be set up; $STATE/db-setup.log says why."
    touch "$STATE/db/.initialised"
  fi
}

# A password, made up when it is first asked for and readable by its owner alone.
secret_in() { # file
  [ -s "$1" ] || (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$1")
  cat "$1"
}

# What a database is given besides; each option counts over those before it.
DB_OPTIONS=()

# Starts the database process; a second time in one run at the same port, since the server knows it by that.
launch_database() {
  # What it sorts and unpacks stays in a folder of its own, not among what others leave in /tmp.
  mkdir -p "$STATE/tmp" && chmod 700 "$STATE/tmp"
  mariadbd --no-defaults --user="$(id -un)" --datadir="$STATE/db" --socket="$(socket)" --port="$DB_PORT" \
    --bind-address=127.0.0.1 --pid-file="$STATE/db.mariadb.pid" --log-error="$STATE/db.log" --tmpdir="$STATE/tmp" \
    --innodb-flush-log-at-trx-commit=1 --character-set-server=utf8mb4 \
    --collation-server=utf8mb4_unicode_ci --skip-name-resolve "${DB_OPTIONS[@]}" >/dev/null 2>&1 9>&- &
  echo $! >"$STATE/db.pid"
  for _ in $(seq 1 300); do
    database_answers && return
    lives "$STATE/db.pid" || return 1
    sleep 0.1
  done
  return 1
}

database_answers() { mariadb-admin --no-defaults --socket="$(socket)" ping >/dev/null 2>&1; }

start_database() {
  set_up_database
  # Somebody else may take the port in the moment between looking and starting: then another one.
  local try
  for try in 1 2 3; do
    DB_PORT=$(free_port)
    launch_database && break
    [ "$try" -lt 3 ] || fail "the database stopped while starting; $STATE/db.log says why."
  done
  local password
  password=$(secret_in "$STATE/password")
  sql "CREATE USER IF NOT EXISTS tachylim@'127.0.0.1'; ALTER USER tachylim@'127.0.0.1' IDENTIFIED BY '$password';
       GRANT ALL ON \`tachylim%\`.* TO tachylim@'127.0.0.1';"
  export TACHYLIM_DB_USER=tachylim TACHYLIM_DB_PASSWORD=$password TACHYLIM_DB_HOST=127.0.0.1:$DB_PORT
}

# The database that holds what is kept under a name: another one after something was read back.
current() { cat "$STATE/$1.current" 2>/dev/null || echo "$1"; }

# From the next start on, another database holds what is kept under a name. One move of a file, so it is done or not.
make_current() { # name, database
  echo "$2" >"$STATE/$1.current.part"
  mv "$STATE/$1.current.part" "$STATE/$1.current"
}

use_database() { # name
  local database
  database=$(current "$1")
  sql "CREATE DATABASE IF NOT EXISTS $database"
  export TACHYLIM_DB_URL=jdbc:mariadb://$TACHYLIM_DB_HOST/$database
}
