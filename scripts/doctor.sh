# What is wrong with this installation, in sentences that say what to do. Changes nothing.

examine() {
  ills=0
  commands
  disk
  secrets
  shop_itself
  backups
  network
  [ $ills = 0 ] && say "All is well." || say "$ills to see to."
  [ $ills = 0 ]
}

ill() { ills=$((ills + 1)) && printf '! %s\n' "$1"; }
well() { printf '  %s\n' "$1"; }

commands() {
  local found
  for found in java mvn mariadbd mariadb mariadb-dump; do
    command -v "$found" >/dev/null 2>&1 || [ -x "/usr/sbin/$found" ] || ill "$found is missing: ./nursery start installs it."
  done
  well "$(java -version 2>&1 | head -n 1); $(mariadb --version 2>/dev/null | head -n 1)"
}

disk() {
  local free
  mkdir -p "$root/var" 2>/dev/null
  [ -w "$root/var" ] || ill "$root/var cannot be written to: check who owns it."
  free=$(df -Pm "$root/var" | awk 'NR == 2 { print $4 }')
  [ "${free:-0}" -ge 1000 ] && well "$free MB free on the disk." || ill "Only $free MB free on the disk of $root/var: free some, a full disk stops the database."
}

# var holds the shop's database, its passwords and its logs: nobody else's business.
secrets() {
  local open
  open=$(find "$root/var" -maxdepth 3 \( -name '*.env' -o -name '*.p12' -o -name secret -o -name '*.zip' \) -perm /077 2>/dev/null | head -n 5)
  [ -z "$open" ] || ill "Others on this machine can read: $open. Run chmod 600 on them."
  [ -d "$root/var" ] && [ -n "$(find "$root/var" -maxdepth 0 -perm /077)" ] && ill "Others on this machine can look into $root/var: run chmod 700 on it."
  return 0
}

shop_itself() {
  local state=$root/var/shop errors
  if is_running "$state/application.pid" nursery.jar; then
    well "The shop is open: $(cat "$state/address" 2>/dev/null)"
    is_running "$state/mariadb.pid" mariadbd || ill "The application runs without its database: run ./nursery stop, then start."
    health "$(sed -n 's/.*:\([0-9]*\).*/\1/p' "$state/address" 2>/dev/null)"
  else
    well "The shop is closed."
    is_running "$state/mariadb.pid" mariadbd && ill "A database runs without its application: run ./nursery stop."
  fi
  errors=$(grep -c ' ERROR ' "$root/var/log/shop.log" 2>/dev/null)
  [ "${errors:-0}" = 0 ] || ill "$errors errors in var/log/shop.log; the last: $(grep ' ERROR ' "$root/var/log/shop.log" | tail -n 1 | cut -c1-160)"
  return 0
}

# What the open shop says of itself: database, disk, backup, clock.
health() { # PORT
  local said part
  said=$(fetched "${1:-0}" /actuator/health | tail -n 1)
  [ -n "$said" ] || { ill "The shop does not say how it is: see var/log/shop.log." && return; }
  grep -o '"warning":"[^"]*"' <<<"$said" | cut -d'"' -f4 | while read -r part; do printf '! %s\n' "$part"; done
  ills=$((ills + $(grep -o '"warning":"' <<<"$said" | wc -l)))
  for part in db diskSpace; do
    grep -q "\"$part\":{\(\"details\":{[^}]*},\)\?\"status\":\"UP\"" <<<"$said" || ill "The shop says that its $(sed s/db/database/\;s/Space// <<<"$part") is not well: $said"
  done
}

backups() {
  local newest
  [ -d "$root/var/shop/data" ] || return 0
  # An open shop has said it already.
  is_running "$root/var/shop/application.pid" nursery.jar && return 0
  newest=$(find "$root/var/backups/shop" -name 'nursery-*.zip' -printf '%T@ %p\n' 2>/dev/null | sort -rn | head -n 1)
  if [ -z "$newest" ]; then
    ill "There is no backup in var/backups/shop: run ./nursery backup. (If you chose another folder, look there.)"
  elif [ $(($(date +%s) - ${newest%%.*})) -gt 259200 ]; then
    ill "The newest backup here is older than three days: ${newest#* }."
  else
    well "Newest backup: ${newest#* }"
  fi
}

network() {
  local tls=$root/var/shop/tls
  [ -f "$tls/server.p12" ] || return 0
  if keytool -list -v -keystore "$tls/server.p12" -storepass:file "$tls/secret" -alias server 2>/dev/null | grep -q 'Valid from'; then
    well "Certificate: $(keytool -list -v -keystore "$tls/server.p12" -storepass:file "$tls/secret" -alias server 2>/dev/null | sed -n 's/^Valid from: .* until: /good until /p' | head -n 1)"
  else
    ill "The certificate in $tls cannot be read: delete that folder, it is made anew (devices are told to trust it anew)."
  fi
}
