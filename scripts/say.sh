# How the scripts talk: progress and trouble on standard error, so that standard output holds only the answer.

say() { printf '%s\n' "$*" >&2; }

die() {
  printf 'nursery: %s\n' "$*" >&2
  exit 1
}

# worked PID: how long a process has computed, in hundredths of a second; nothing once it has ended
worked() {
  local line
  { read -r line <"/proc/$1/stat"; } 2>/dev/null || return 1
  # After the name, which may hold blanks: user and system time are the 12th and 13th.
  set -- ${line##*) }
  echo $((${12} + ${13}))
}

# waits_for PID SECONDS CONDITION...: until the condition holds, as long as the process gets on; a machine that is busy with
# other things takes its time. Gives up when the process has ended, or has not computed for so many seconds.
waits_for() {
  local pid=$1 patience=$2 last=0 now since=$SECONDS
  shift 2
  until "$@"; do
    now=$(worked "$pid") || return 1
    [ $((now - last)) -ge 5 ] && last=$now since=$SECONDS
    [ $((SECONDS - since)) -lt "$patience" ] || return 2
    sleep 0.1
  done
}

# answers PORT: whether Nursery answers there
answers() {
  local status
  (exec 3<>"/dev/tcp/127.0.0.1/$1" && printf 'GET / HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&3 && read -r status <&3 && case $status in *' 200'* | *' 302'*) exit 0 ;; *) exit 1 ;; esac) 2>/dev/null
}

# fetched PORT PATH: what Nursery answers there
fetched() { (exec 3<>"/dev/tcp/127.0.0.1/$1" && printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' "$2" >&3 && cat <&3) 2>/dev/null; }

# need_space FOLDER MEGABYTES WHAT
need_space() {
  local free_kb
  free_kb=$(df -Pk "$1" | awk 'NR == 2 { print $4 }')
  [ "${free_kb:-0}" -ge $(($2 * 1024)) ] ||
    die "Only $((${free_kb:-0} / 1024)) MB are free in $1, and $3 needs $2 MB. Free some space there and start again."
}

# is_running PIDFILE NAME: whether the process in PIDFILE lives, is a NAME and belongs to the folder the file lies in: no
# stranger with a recycled number, and not the process of the folder this one was copied from
is_running() {
  local pid
  pid=$(cat "$1" 2>/dev/null) && [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] &&
    tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -qF -- "$2" && belongs_to "$pid" "$(dirname "$1")/.."
}

# belongs_to PID FOLDER: whether a process works in a folder, holds its lock there, or was started from a file in it
belongs_to() {
  local real named
  real=$(cd "$2" 2>/dev/null && pwd -P) && named=$(cd "$2" && pwd) || return 1
  case $(readlink "/proc/$1/cwd")/ in "$real"/*) return 0 ;; esac
  case $(readlink "/proc/$1/fd/9" 2>/dev/null) in "$real"/*) return 0 ;; esac
  tr '\0' '\n' <"/proc/$1/cmdline" 2>/dev/null | grep -qF -e "$real/" -e "$named/"
}

# end PIDFILE NAME SECONDS: asks a process to stop, insists after SECONDS
end() {
  local pid left=$(($3 * 10))
  if is_running "$1" "$2"; then
    pid=$(cat "$1")
    kill -TERM "$pid" 2>/dev/null
    while is_running "$1" "$2" && [ "$left" -gt 0 ]; do
      sleep 0.1
      left=$((left - 1))
    done
    is_running "$1" "$2" && kill -KILL "$pid" 2>/dev/null
  fi
  rm -f "$1"
}

# is_taken PORT: whether something on this machine already answers there
is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
