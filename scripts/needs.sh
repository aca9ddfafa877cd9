# What the machine must have. Installs what is missing through apt, saying what and why.

# need COMMAND PACKAGES WHY
need() {
  command -v "$1" >/dev/null 2>&1 && return 0
  case $1 in mariadbd | mariadb-install-db) [ -x "/usr/sbin/$1" ] && return 0 ;; esac
  install_packages "$2" "$3"
}

install_packages() {
  local apt=apt-get
  say "Installing $1: $2."
  command -v apt-get >/dev/null 2>&1 || die "This is not a Debian machine: install $1 by hand ($2), then start again."
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null 2>&1 || die "$1 is missing ($2) and you may not install it: ask an administrator for 'apt-get install $1'."
    apt='sudo apt-get'
  fi
  mkdir -p "$root/var/log"
  # shellcheck disable=SC2086
  { $apt update && DEBIAN_FRONTEND=noninteractive $apt install -y --no-install-recommends $1; } >"$root/var/log/install.log" 2>&1 ||
    die "Installing $1 failed. The last line was: $(tail -n 1 "$root/var/log/install.log") The whole story is in var/log/install.log."
}

need_to_run() {
  need mariadbd "mariadb-server-core" "the database that keeps the shop's records"
  need mariadb "mariadb-client" "to set that database up"
}

need_to_build() {
  if ! command -v javac >/dev/null 2>&1; then install_packages "default-jdk-headless" "Java, to build and run Nursery"; fi
  need mvn "maven" "to build Nursery"
}

need_to_test() {
  need pgrep "procps" "to see that nothing is left running after a test"
  need chromium-headless-shell "chromium-headless-shell" "the browser that the tests drive"
}
