# Backups of the shop: made, checked and put back. What they are is in docs/operations.md.

keeping() { java -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -cp "$root/var/app/nursery.jar" nursery.app.keep.KeepCommand "$@" 9>&-; }

# A path as it was meant where the command was given.
whole_path() { case $1 in /*) echo "$1" ;; *) echo "$PWD/$1" ;; esac; }

# The shop's database: of the running shop, or started for as long as it is needed.
with_database() {
  state=$root/var/shop
  [ -d "$state/data" ] || [ "${1:-}" = even-if-new ] || die "There is no shop in var/shop yet: nothing to save."
  mkdir -p "$state" && (umask 077 && : >>"$state/lock")
  exec 9>"$state/lock"
  if flock -n 9; then
    trap '"$root/scripts/mariadb" stop "$state" 9>&-' EXIT
    "$root/scripts/mariadb" start "$state" 9>&- || exit 1
  else
    [ -f "$state/database.env" ] || die "The shop is just starting or stopping: try again in a moment."
    running=yes
  fi
  set -a
  . "$state/database.env"
  set +a
  export NURSERY_FILES=$state/files
  [ "$running" = yes ] || keeping settle || exit 1
}

back_up() {
  need_to run
  build
  running=no
  with_database
  mkdir -p "$root/var/backups/shop"
  file=$(whole_path "${file:-$root/var/backups/shop/nursery-$(date -u +%Y-%m-%dT%H-%M-%SZ).zip}")
  [ ! -e "$file" ] || die "$file is there already: a backup never takes another's place."
  keeping backup "$file" && say "It is in $file. Keep a copy away from this machine."
}

check_backup() {
  [ -n "$file" ] || die "Which file? $(usage)"
  file=$(whole_path "$file")
  [ -f "$file" ] || die "There is no file $file."
  need_to build
  build
  keeping check "$file"
}

restore_backup() {
  local cups saved
  check_backup || exit 1
  need_to run
  running=no
  with_database even-if-new
  [ "$running" = no ] || die "The shop is open: run ./nursery stop first, then restore."
  cups=$(keeping cups) || exit 1
  if [ "$cups" -gt 0 ]; then
    if [ "$sure" = no ]; then
      printf 'Your shop holds %s cups. They are saved first, then the backup takes their place. Go on? Type yes: ' "$cups"
      read -r answer
      [ "$answer" = yes ] || die "Nothing was changed."
    fi
    mkdir -p "$root/var/backups/shop"
    saved=$root/var/backups/shop/before-restoring-$(date -u +%Y-%m-%dT%H-%M-%SZ).zip
    keeping backup "$saved" || die "What is there could not be saved, so nothing was changed."
    say "What was there is in $saved."
  fi
  keeping restore "$file" && say "Start it with ./nursery start; older tables are brought up to date then."
}

export_shop() {
  need_to run
  build
  running=no
  with_database
  mkdir -p "$root/var/backups/shop"
  file=$(whole_path "${file:-$root/var/backups/shop/export-$(date -u +%Y-%m-%dT%H-%M-%SZ).zip}")
  [ ! -e "$file" ] || die "$file is there already: an export never takes another's place."
  keeping export "$file" && say "It is in $file; docs/export.md says what is in it."
}

import_shop() {
  [ -n "$file" ] || die "Which file? $(usage)"
  file=$(whole_path "$file")
  [ -f "$file" ] || die "There is no file $file."
  need_to run
  build
  running=no
  with_database
  [ "$running" = no ] || die "The shop is open: run ./nursery stop first, then import."
  keeping import "$file" && say "Start it with ./nursery start."
}
