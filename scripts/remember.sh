# Which classes a start takes, kept in an archive: every start after it computes half as long.

is_to_remember() { [ ! -f "$root/var/app/classes.jsa" ] && [ ! -f "$root/var/app/classes.none" ] && command -v jcmd >/dev/null; }

# At the first start of a build, before it says that it is ready: it stands still meanwhile. If it fails, starts are
# slower, and that is all.
remember_classes() {
  is_to_remember || return 0
  local path made
  for path in / /cups /cups/new /cups/A-01 /mix /plan /shelf /faults; do fetched "$port" "$path" >/dev/null; done
  # By a path without a space: jcmd takes what follows one for something else.
  made=$(mktemp -d /tmp/nursery.XXXXXX) &&
    jcmd "$application" VM.cds dynamic_dump "$made/classes" >"$root/var/log/remember.log" 2>&1 && [ -s "$made/classes" ] &&
    mv "$made/classes" "$root/var/app/classes.new" && mv "$root/var/app/classes.new" "$root/var/app/classes.jsa" ||
    touch "$root/var/app/classes.none"
  rm -rf "$made"
}
