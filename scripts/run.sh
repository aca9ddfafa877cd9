# Starts and stops a shop: its database, then the application on top, in the foreground until Ctrl-C.

run_shop() {
  shop=$1 state=$root/var/$1
  # The shop's database, passwords and logs are for whoever runs it, and nobody else.
  umask 077
  mkdir -p "$state" "$root/var/log" && [ -w "$state" ] && [ -w "$root/var/log" ] || die "Cannot write to $root/var: check who owns it."
  need_space "$state" 300 "Nursery"
  (: >>"$state/lock") 2>/dev/null || die "Cannot write to $state: check who owns it."
  exec 9>"$state/lock"
  take_lock
  clear_up
  # What was just ended may hold its port for a moment longer.
  is_taken "$port" && sleep 1
  [ "$lan" = yes ] && is_taken "$((port + 1))" && die "Port $((port + 1)), for HTTPS, is taken by another program. Choose another, such as --port $((port + 2))."
  is_taken "$port" && die "Port $port is taken by another program. Choose another, such as --port $((port + 1))."
  get_built
  [ "$shop" = demo ] && [ "$keep" = no ] && rm -rf "$state/data" "$state/files" && take_first
  fresh=yes
  [ -d "$state/data" ] && fresh=no
  chmod 700 "$root/var"
  echo $$ >"$state/nursery.pid"
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  trap 'clear_up' EXIT
  "$root/scripts/mariadb" start "$state" 9>&- || exit 1
  save_before_migrating
  launch_application
  wait_until_ready
  watch
}

# What is missing, and the build; the database comes while Maven is at work.
get_built() {
  local coming=
  is_built || {
    need_to build
    need_to run &
    coming=$!
  }
  build
  [ -z "$coming" ] || wait "$coming" || exit 1
  need_to run
}

# Application and database are kept running: what ended by itself is started again, the database where it was and as often
# as it takes (a full disk may be freed), the application as long as it gets as far as answering.
watch() {
  while :; do
    sleep 1 9>&- &
    wait $!
    if ! is_running "$state/mariadb.pid" mariadbd; then
      say "The database ended by itself; starting it again."
      "$root/scripts/mariadb" again "$state" 9>&-
    fi
    if ! kill -0 "$application" 2>/dev/null; then
      say "Nursery ended by itself; starting it again. The reason is at the end of var/log/$shop.log, kept as $shop.1.log."
      launch_application
      wait_until_ready
    fi
  done
}

# Tables are brought up to date at the start: before that, what is there is saved. A shop kept by a newer Nursery stays
# as it is.
save_before_migrating() {
  [ "$shop" = shop ] && [ "$fresh" = no ] || return 0
  (
    set -a
    . "$state/database.env"
    set +a
    export NURSERY_FILES=$state/files
    keeping before-migrating "$root/var/backups/shop"
  ) || die "Nursery was not started, and nothing was changed."
}

launch_application() {
  set -a
  . "$state/database.env"
  set +a
  local old
  # What the last runs said is kept: whoever asks why it stopped has started it again already.
  for old in 4 3 2 1; do
    [ -f "$root/var/log/$shop.$old.log" ] && mv -f "$root/var/log/$shop.$old.log" "$root/var/log/$shop.$((old + 1)).log"
  done
  [ -f "$root/var/log/$shop.log" ] && mv -f "$root/var/log/$shop.log" "$root/var/log/$shop.1.log"
  # Without an archive of classes it only starts more slowly.
  java "${java_ways[@]}" -XX:SharedArchiveFile="$root/var/app/classes.jsa" -jar "$root/var/app/nursery.jar" \
    --server.port="$port" --nursery.demo="$([ "$shop" = demo ] && echo true || echo false)" \
    --nursery.lan.on="$([ "$lan" = yes ] && echo true || echo false)" --nursery.lan.folder="$state/tls" --nursery.lan.port="$((port + 1))" \
    --nursery.keep.folder="$root/var/backups/$shop" --nursery.files.folder="$state/files" \
    </dev/null >"$root/var/log/$shop.log" 2>&1 9>&- &
  application=$!
  echo "$application" >"$state/application.pid"
}

# A start under way elsewhere, or one that is just ending, is waited for; an open shop is not.
take_lock() {
  local told=no
  until flock -n 9; do
    [ -s "$state/address" ] && die "This shop is already open at $(cat "$state/address"). Use it there, or run ./nursery stop first."
    [ $told = no ] && told=yes && say "This shop is just starting or ending elsewhere; waiting for that."
    sleep 0.3
  done
}

# The demo that was written a moment ago, when Nursery was built, is as fresh as a new one.
take_first() {
  [ -n "$(find "$root/var/first/classes-remembered" -mmin -5 2>/dev/null)" ] && mv "$root/var/first/data" "$root/var/first/files" "$state/"
  rm -rf "$root/var/first"
}

# As long as it gets on: on a busy machine a first start takes minutes.
wait_until_ready() {
  local again=no
  told_at=$SECONDS
  until waits_for "$application" 180 is_ready; do
    # By its number alone: it is our own child, and for a moment it is not yet what it becomes.
    if ! kill -0 "$application" 2>/dev/null && [ $again = no ] && [ -f "$root/var/app/classes.jsa" ]; then
      # A damaged archive of classes may end Java at once: without it, it starts. The next build of it is the next start's.
      again=yes
      rm -f "$root/var/app/classes.jsa"
      launch_application
      continue
    fi
    kill -0 "$application" 2>/dev/null || die "$(refusal)"
    die "Nursery has done nothing for three minutes and does not answer; see var/log/$shop.log."
  done
  echo "http://127.0.0.1:$port/" >"$state/address"
  printf 'Nursery is ready: http://127.0.0.1:%s/\n' "$port"
  [ "$lan" = yes ] && tell_network
  return 0
}

is_ready() {
  answers "$port" && return 0
  [ $((SECONDS - told_at)) -ge 15 ] && told_at=$SECONDS && say "Still starting: $(doing)."
  return 1
}

# What a start is at, by the last that its log says of it.
doing() {
  case $(grep -o 'Migrating schema\|Demo: \|Tomcat initialized\|Started NurseryApplication' "$root/var/log/$shop.log" 2>/dev/null | tail -n 1) in
    Migr*) echo "setting up its tables" ;;
    Demo*) echo "writing the demo's cups" ;;
    Started*) echo "almost there" ;;
    *) echo "loading" ;;
  esac
}

# What the application itself says of why it did not start, if it does.
refusal() {
  local said
  said=$(sed -n 's/.*Refused: \(.*\)/\1/p' "$root/var/log/$shop.log" 2>/dev/null | tail -n 1)
  echo "${said:-Nursery did not start; the reason is at the end of var/log/$shop.log.}"
}

tell_network() {
  local address
  for address in $(hostname -I 2>/dev/null); do
    case $address in *:*) ;; *) printf 'On the local network: https://%s:%s/\n' "$address" "$((port + 1))" ;; esac
  done
  sed -n 's/.*\(Certificate authority, SHA-256: .*\)/\1/p; s/.*\(Demo owner: .*\)/\1/p' "$root/var/log/$shop.log" | sort -u
}

# Stops application and database of this shop, whoever started them.
clear_up() {
  # First: whoever starts meanwhile is told that this one is ending, not that it is open.
  rm -f "$state/address"
  end "$state/application.pid" nursery.jar 20
  "$root/scripts/mariadb" stop "$state" 9>&-
  rm -f "$state/nursery.pid"
}

stop_shops() {
  local found=no
  for shop in demo shop; do
    state=$root/var/$shop
    [ -d "$state" ] || continue
    if is_running "$state/nursery.pid" nursery || is_running "$state/application.pid" nursery.jar || is_running "$state/mariadb.pid" mariadbd; then found=yes; fi
    end "$state/nursery.pid" nursery 40
    clear_up
  done
  [ "$found" = yes ] && say "Nursery is stopped." || say "Nursery was not running."
}
