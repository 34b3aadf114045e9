# What is kept: backups and reading them back, and the copy that is made before the schema changes.

newest_schema() {
  local file newest=0
  for file in "$ROOT"/server/src/main/resources/db/migration/V*__*.sql; do
    file=${file##*/V}
    [ "${file%%__*}" -le "$newest" ] || newest=${file%%__*}
  done
  echo "$newest"
}

has_table() { [ "$(ask "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = '$1' AND table_name = '$2'")" = 1 ]; }

# The schema that a database has; 0 when it has none.
schema_of() {
  has_table "$1" flyway_schema_history || { echo 0; return; }
  ask "SELECT COALESCE(MAX(CAST(version AS UNSIGNED)), 0) FROM $1.flyway_schema_history WHERE success = 1"
}

# Writes a database to a file: consistent, while it is in use, readable by its owner alone, and whole or not at all.
write_copy() { # database, file
  local part=$2.part
  (
    umask 077
    set -o pipefail
    {
      echo "-- Tachylim backup 1"
      mariadb-dump --no-defaults --socket="$(socket)" --single-transaction --skip-extended-insert --hex-blob --no-tablespaces "$1"
    } | gzip >"$part"
  ) 2>"$STATE/copy.log" && gzip -t "$part" 2>>"$STATE/copy.log" && gzip -dc "$part" | tail -n 1 | grep -q '^-- Dump completed' || {
    rm -f "$part"
    fail "$2 could not be written; what is kept is untouched. $(tail -n 1 "$STATE/copy.log" 2>/dev/null)"
  }
  mv "$part" "$2"
}

# Says what is wrong with a copy, and with the database it was read into where one is named, and fails if anything is.
check_copy() { java -XX:TieredStopAtLevel=1 -XX:+UseSerialGC -cp "$JAR" tachylim.server.backup.CheckCopy "$@"; } # file, database

# Reads a copy into a database of its own and looks whether it is whole. Says what is wrong and fails otherwise.
read_copy() { # file, database
  local file=$1 database=$2 problem
  sql "DROP DATABASE IF EXISTS $database; CREATE DATABASE $database"
  if problem=$(check_copy "$file" && load_copy "$file" "$database" && check_copy "$file" "$database"); then
    return
  fi
  sql "DROP DATABASE IF EXISTS $database"
  say "$problem"
  return 1
}

# As a user who may write to that database and to no other, and with the client's own commands off, so that a file of
# somebody else's making can do no harm.
load_copy() { # file, database
  local key
  key=$(head -c 18 /dev/urandom | base64 | tr -d '/+=\n')
  sql "CREATE OR REPLACE USER tachylim_reader@localhost IDENTIFIED BY '$key'; GRANT ALL ON $2.* TO tachylim_reader@localhost"
  if ! gzip -dc "$1" | MYSQL_PWD=$key mariadb --no-defaults --binary-mode --socket="$(socket)" --user=tachylim_reader "$2" >"$STATE/copy.log" 2>&1; then
    sql "DROP USER tachylim_reader@localhost"
    echo "$1 cannot be read: $(tail -n 1 "$STATE/copy.log")"
    return 1
  fi
  sql "DROP USER tachylim_reader@localhost"
}

# --- the schema -----------------------------------------------------------------------------------

# Before the server changes the schema, what there is is copied; an upgrade that was cut off goes back to that copy.
before_upgrade() { # name
  local name=$1 database copy schema fresh
  database=$(current "$name")
  copy=$STATE/$name.before-upgrade.sql.gz
  if [ -e "$STATE/$name.upgrading" ] && [ -s "$copy" ]; then
    say "The last upgrade was cut off; going back to the copy made before it"
    fresh=${name}_$(date +%Y%m%d_%H%M%S)
    if read_copy "$copy" "$fresh"; then
      make_current "$name" "$fresh"
      echo "$database" >>"$STATE/$name.previous"
      database=$fresh
    else
      say "That copy cannot be read; going on with what is there, since every step of an upgrade may be repeated"
    fi
    rm -f "$STATE/$name.upgrading"
  fi
  schema=$(schema_of "$database")
  if [ "$schema" -gt 0 ] && [ "$schema" -lt "$(newest_schema)" ]; then
    say "Copying what is kept to $copy before the upgrade from schema $schema to $(newest_schema)"
    write_copy "$database" "$copy"
    touch "$STATE/$name.upgrading"
  fi
}

# The server has read it: what was there before is no longer needed.
after_start() { # name
  local old
  rm -f "$STATE/$1.upgrading"
  [ -e "$STATE/$1.previous" ] || return 0
  while read -r old; do
    [ "$old" = "$(current "$1")" ] || sql "DROP DATABASE IF EXISTS $old"
  done <"$STATE/$1.previous"
  rm -f "$STATE/$1.previous"
}

# --- the commands ---------------------------------------------------------------------------------

backup() { # file
  [ -n "${1:-}" ] || fail "name the file to write: ./tachylim backup FILE"
  [ ! -d "$1" ] || fail "$1 is a folder; name a file in it."
  [ -w "$(dirname "$1")" ] || fail "$(dirname "$1") cannot be written; name a file elsewhere."
  need_packages
  if ! is_locked; then
    take_lock
    clear_leftovers
    trap stop_all EXIT
    start_database
  elif child_runs proxy; then
    fail "a cluster runs here: write a copy from one of its nodes, as docs/growing.md shows."
  elif ! database_answers; then
    fail "it is just starting or stopping; try again in a moment."
  fi
  local database
  database=$(current tachylim)
  [ "$(schema_of "$database")" -gt 0 ] || fail "there is nothing to write yet: ./tachylim start has never been used here."
  write_copy "$database" "$1"
  say "Written to $1."
}

restore() { # file
  [ -f "${1:-}" ] && [ -r "$1" ] || fail "name the file to read: ./tachylim restore FILE"
  need_packages
  is_locked && fail "it runs. Stop it with ./tachylim stop, then read $1 back."
  take_lock
  clear_leftovers
  build
  trap stop_all EXIT
  start_database
  local before fresh
  before=$(current tachylim)
  fresh=tachylim_$(date +%Y%m%d_%H%M%S)
  read_copy "$1" "$fresh" || fail "nothing was changed; what was there is there."
  echo "$before" >>"$STATE/tachylim.previous"
  make_current tachylim "$fresh"
  say "Read back from $1. What was there before is kept until the next start has read this."
}
