# What the machine must have. Installs what is missing through apt, saying what and why.

# What is missing of what is done now, installed in one go: each going to the packages takes seconds.
need_to() { # run | build | test ...
  local packages='' doing
  for doing in "$@"; do
    case $doing in
      run)
        need mariadbd "mariadb-server-core" "the database that keeps the shop's records"
        need mariadb "mariadb-client" "to set that database up"
        ;;
      build)
        need javac "default-jdk-headless" "Java, to build and run Nursery"
        need mvn "maven" "to build Nursery"
        ;;
      test)
        need pgrep "procps" "to see that nothing is left running after a test"
        need chromium-headless-shell "chromium-headless-shell" "the browser that the tests drive"
        ;;
    esac
  done
  # shellcheck disable=SC2086
  [ -z "$packages" ] || install_packages $packages
}

# need COMMAND PACKAGE WHY
need() {
  command -v "$1" >/dev/null 2>&1 && return 0
  case $1 in mariadbd | mariadb-install-db) [ -x "/usr/sbin/$1" ] && return 0 ;; esac
  say "Installing $2: $3."
  packages="$packages $2"
}

install_packages() {
  local apt=apt-get
  command -v apt-get >/dev/null 2>&1 || die "This is not a Debian machine: install $* by hand, then start again."
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null 2>&1 || die "$* is missing and you may not install it: ask an administrator for 'apt-get install $*'."
    apt='sudo apt-get'
  fi
  mkdir -p "$root/var/log"
  { $apt update && DEBIAN_FRONTEND=noninteractive $apt install -y --no-install-recommends "$@"; } >"$root/var/log/install.log" 2>&1 ||
    die "Installing $* failed. The last line was: $(tail -n 1 "$root/var/log/install.log") The whole story is in var/log/install.log."
}
