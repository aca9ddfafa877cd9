# A second instance on the database of a demo that runs here, for the soak scripts: sets $second to its address.

start_second() {
  local port=$1 tries
  set -a
  . "$root/var/demo/database.env"
  set +a
  java -XX:+UseSerialGC -Xmx512m -jar "$root/var/app/nursery.jar" --server.port="$port" --nursery.keep.folder="$root/var/backups/demo" --nursery.files.folder="$root/var/demo/files" \
    </dev/null >"$root/var/log/second.log" 2>&1 &
  second_pid=$! second=http://127.0.0.1:$port
  trap 'kill "$second_pid" 2>/dev/null' EXIT
  for tries in $(seq 600); do
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null && return 0
    kill -0 "$second_pid" 2>/dev/null || break
    sleep 0.2
  done
  echo "The second instance did not start; see var/log/second.log." >&2
  exit 1
}
