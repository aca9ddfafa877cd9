# Which classes a start takes, kept in an archive: every start after it computes half as long.

# After the first start of a build, beside it and behind all else, so that nobody waits for it. If it fails, starts are
# slower, and that is all; if it is cut short, the next start begins it again.
remember_classes() {
  [ -f "$root/var/app/classes.jsa" ] || [ -f "$root/var/app/classes.none" ] && return
  (
    # One at a time: a demo and a shop may both be open.
    flock -n 8 || exit 0
    renice -n 19 -p "$BASHPID" >/dev/null
    # Where the build is now: one that takes its place meanwhile gets no archive of this one.
    cd "$root/var/app" || exit 0
    end_first
    trap 'exit 143' TERM
    trap 'end_first' EXIT
    run_once && mv classes.new classes.jsa || touch classes.none
  ) 8>"$root/var/first.lock" 9>&- </dev/null >"$root/var/log/remember.log" 2>&1 &
  remembering=$!
}

# A demo with a database of its own, gone when its first pages were seen.
run_once() {
  local first=$root/var/first port application
  umask 077
  mkdir -p "$first"
  "$root/scripts/mariadb" start "$first" 8>&- || return 1
  port=$((20000 + RANDOM % 12000))
  while is_taken "$port"; do port=$((port + 1)); done
  set -a
  . "$first/database.env"
  set +a
  java "${java_ways[@]}" -XX:ArchiveClassesAtExit="$root/var/app/classes.new" -jar "$root/var/app/nursery.jar" \
    --server.port="$port" --nursery.demo=true --nursery.files.folder="$first/files" --nursery.keep.folder="$first/keep" \
    >"$root/var/log/first.log" 2>&1 8>&- &
  application=$!
  echo "$application" >"$first/application.pid"
  waits_for "$application" 180 answers "$port" || return 1
  for path in /cups /cups/new /cups/A-01 /mix /plan /shelf /faults; do fetched "$port" "$path" >/dev/null; done
  kill "$application"
  wait "$application"
  [ -f classes.new ]
}

# What a finished or an interrupted one left.
end_first() {
  [ -d "$root/var/first" ] || return 0
  end "$root/var/first/application.pid" nursery.jar 1
  "$root/scripts/mariadb" stop "$root/var/first" 8>&- 9>&-
  rm -rf "$root/var/first" "$root/var/app/classes.new"
}

# Whoever ends the shop does not wait for it.
stop_remembering() {
  [ -n "${remembering:-}" ] && kill "$remembering" 2>/dev/null && wait "$remembering"
  remembering=
}
