# Database and storage kept together in one folder, and brought back from it.
#
# The database is dumped first and the storage copied after it: originals are put into the storage before the database knows
# them and never changed, so that all that the dump names is there, while work goes on. What was deleted in between is told.
# The folder has open formats alone: a dump of pg_dump, the storage's files, and their digests as sha256sum writes them.

# What is worth keeping; previews are drawn again, and what is under way is begun anew.
KEPT_FOLDERS="originals deliveries profiles marks backgrounds"

# One of PostgreSQL's programs, on whichever database is used.
on_database() {
  local program=$1 address=${EMBRICK_DB_URL#jdbc:}
  shift
  PGUSER=$EMBRICK_DB_USER PGPASSWORD=$EMBRICK_DB_PASSWORD "$(pg_programs)/$program" -d "$address" "$@"
}

pg_programs() {
  if [ -n "${EMBRICK_DATABASE:-}" ]; then
    ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1
  else
    pg_bin
  fi
}

asked_database() { on_database psql -qtAX -v ON_ERROR_STOP=1 -c "$1"; }

backup_all() {
  local into=${1:-} storage made
  [ -n "$into" ] || fail "backup: expected the folder that the backup is put into."
  mkdir -p "$into" || fail "backup: $into cannot be made."
  hold_home
  start_database
  storage=$(storage_folder)
  [ -f "$storage/.embrick-storage" ] || fail "backup: $storage is not there, or was never used: nothing was kept."
  into=$(readlink -f "$into")
  case "$into/" in "$(readlink -f "$storage")"/*) fail "backup: $into lies in the storage itself: choose a folder outside." ;; esac
  made=$into/embrick-$(date +%Y-%m-%d-%H%M%S)
  # One that was cut short never has a whole one's name.
  rm -rf "$made.part"
  mkdir "$made.part" && mkdir "$made.part/storage"
  say "keeping the database"
  on_database pg_dump -Fc -f "$made.part/database.dump" || fail "backup: the database could not be dumped."
  [ "$(asked_database 'select id from storage_identity')" = "$(head -n 1 "$storage/.embrick-storage")" ] \
    || fail "backup: $storage is not the storage of this database: nothing was kept. Set EMBRICK_STORAGE."
  # Listed after the dump, copied after the list.
  asked_database "select distinct digest from original where root is null" >"$made.part/originals.txt"
  say "keeping $storage"
  cp -p "$storage/.embrick-storage" "$made.part/storage/"
  local folder
  for folder in $KEPT_FOLDERS; do
    [ ! -d "$storage/$folder" ] || cp -a --reflink=auto "$storage/$folder" "$made.part/storage/" \
      || fail "backup: $storage/$folder could not be copied; $made.part is not whole."
  done
  require_originals "$made.part"
  say "reading it all again"
  (cd "$made.part" && find . -type f ! -name SHA256SUMS -print0 | LC_ALL=C sort -z | xargs -0 -r sha256sum >SHA256SUMS)
  require_contents "$made.part"
  sync "$made.part/SHA256SUMS"
  mv "$made.part" "$made"
  say "kept in $made: $(wc -l <"$made/originals.txt") originals, $(du -sh "$made" | cut -f 1)"
  local elsewhere
  elsewhere=$(asked_database "select count(*) from original where root is not null")
  [ "$elsewhere" = 0 ] || say "$elsewhere originals are not in it: they lie in folders of their own (EMBRICK_ROOTS)"
  elsewhere=$(asked_database "select count(*) from run_order where root is not null")
  [ "$elsewhere" = 0 ] || say "$elsewhere deliveries are not in it: they went to folders of their own"
}

# require_originals BACKUP: each original that the database names is in the storage that was copied.
require_originals() {
  local digest missing=0
  while read -r digest; do
    [ -f "$1/storage/originals/${digest:0:2}/$digest" ] || missing=$((missing + 1))
  done <"$1/originals.txt"
  [ "$missing" = 0 ] || fail "backup: $missing originals are missing in the storage.
  If a job was deleted meanwhile, make the backup again; else they are lost: their pictures say so. $1 is not whole."
}

# require_contents BACKUP: an original is named by its digest; what was read for SHA256SUMS is held against the names.
require_contents() {
  local wrong
  wrong=$(awk '$2 ~ /^\.\/storage\/originals\/..\/[0-9a-f]+$/ { n = split($2, part, "/"); if (part[n] != $1) print part[n] }' \
    "$1/SHA256SUMS")
  [ -z "$wrong" ] || fail "backup: originals were changed on the disk, or read wrongly: $wrong. $1 is not whole."
}

# Into a home that has nothing: what is there is never written over.
restore_all() {
  local from=${1:-} storage into
  [ -f "$from/database.dump" ] && [ -f "$from/SHA256SUMS" ] \
    || fail "restore: expected a folder that ./embrick backup has made, got \"$from\"."
  from=$(readlink -f "$from")
  say "reading $from"
  (cd "$from" && sha256sum --quiet --strict -c SHA256SUMS) || fail "restore: files are missing or changed; nothing was restored."
  hold_home
  ! running supervisor >/dev/null || fail "restore: the application is at work. Stop it first: ./embrick stop"
  storage=$(storage_folder)
  for into in $KEPT_FOLDERS; do
    [ -z "$(find "$storage/$into" -type f -print -quit 2>/dev/null)" ] \
      || fail "restore: $storage holds files. Set EMBRICK_STORAGE to an empty folder, or delete them: ./embrick reset"
  done
  start_database
  [ "$(asked_database "select count(*) from information_schema.tables where table_schema = 'public'")" = 0 ] \
    || fail "restore: the database has something in it. Use another EMBRICK_HOME, or delete it: ./embrick reset"
  say "restoring the database"
  # All or nothing.
  on_database pg_restore --no-owner --single-transaction --exit-on-error "$from/database.dump" \
    || fail "restore: the database could not be restored; it is as empty as before."
  if [ "$(asked_database 'select id from storage_identity')" != "$(head -n 1 "$from/storage/.embrick-storage")" ]; then
    asked_database "drop schema public cascade; create schema public"
    fail "restore: database and storage in $from do not belong together; nothing was restored."
  fi
  say "restoring $storage"
  mkdir -p "$storage"
  cp -a --reflink=auto "$from/storage/." "$storage/" || fail "restore: the storage could not be copied; see $storage"
  echo "$storage" >"$HOME_DIR/storage.path"
  # Each file as it was, read from where it lies now.
  (cd "$storage" && sed -n 's|  \./storage/|  ./|p' "$from/SHA256SUMS" | sha256sum --quiet --strict -c -) \
    || fail "restore: files in $storage are not as they were kept."
  say "restored; ./embrick start goes on with it"
}
