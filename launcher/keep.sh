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

# Reads a copy into a database of its own and looks whether it is whole. Says what is wrong and fails otherwise.
read_copy() { # file, database
  local file=$1 database=$2 problem
  sql "DROP DATABASE IF EXISTS $database; CREATE DATABASE $database"
  if problem=$(load_copy "$file" "$database" && check_copy "$file" "$database"); then
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
  [ -s "$1" ] || { echo "$1 is empty"; return 1; }
  gzip -t "$1" 2>/dev/null || { echo "$1 is no backup of Tachylim, or breaks off"; return 1; }
  gzip -dc "$1" | tail -n 1 | grep -q '^-- Dump completed' || { echo "$1 is no backup of Tachylim, or breaks off before its end"; return 1; }
  key=$(head -c 18 /dev/urandom | base64 | tr -d '/+=\n')
  sql "CREATE OR REPLACE USER tachylim_reader@localhost IDENTIFIED BY '$key'; GRANT ALL ON $2.* TO tachylim_reader@localhost"
  if ! gzip -dc "$1" | MYSQL_PWD=$key mariadb --no-defaults --binary-mode --socket="$(socket)" --user=tachylim_reader "$2" >"$STATE/copy.log" 2>&1; then
    sql "DROP USER tachylim_reader@localhost"
    echo "$1 cannot be read: $(tail -n 1 "$STATE/copy.log")"
    return 1
  fi
  sql "DROP USER tachylim_reader@localhost"
}

check_copy() { # file, database
  local table rows there schema broken
  for table in flyway_schema_history account passage piece workout run run_event played_pass; do
    has_table "$2" "$table" || { echo "$1 holds no $table, so it is no backup of Tachylim"; return 1; }
  done
  schema=$(schema_of "$2")
  [ "$schema" -ge 1 ] || { echo "$1 does not say which schema it has"; return 1; }
  [ "$schema" -le "$(newest_schema)" ] ||
    { echo "$1 was written by a newer Tachylim (schema $schema, here $(newest_schema)); read it back with that one"; return 1; }
  [ "$(ask "SELECT COUNT(*) FROM $2.flyway_schema_history WHERE success = 0")" = 0 ] ||
    { echo "$1 was written in the middle of an upgrade"; return 1; }
  while read -r table rows; do
    there=$(ask "SELECT COUNT(*) FROM \`$2\`.\`$table\`")
    [ "$there" = "$rows" ] || { echo "of $table, $there of $rows rows of $1 could be read"; return 1; }
  done < <(gzip -dc "$1" | sed -n 's/^INSERT INTO .\([A-Za-z_]*\). VALUES.*/\1/p' | sort | uniq -c | awk '{ print $2, $1 }')
  broken=$(broken_links "$2")
  [ "$broken" = 0 ] || { echo "$broken rows of $1 point at rows that are not there"; return 1; }
}

# Loading looks at no links between tables, so it is done afterwards.
broken_links() { # database
  local query total=0
  while read -r query; do
    total=$((total + $(ask "$query")))
  done < <(ask "SELECT CONCAT('SELECT COUNT(*) FROM $1.', k.table_name, ' c LEFT JOIN $1.', k.referenced_table_name, ' p ON p.',
      k.referenced_column_name, ' = c.', k.column_name, ' WHERE c.', k.column_name, ' IS NOT NULL AND p.', k.referenced_column_name, ' IS NULL')
    FROM information_schema.key_column_usage k WHERE k.table_schema = '$1' AND k.referenced_table_name IS NOT NULL")
  echo "$total"
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
