#!/usr/bin/env bash
# Tests the start command itself, on a copy of this folder whose path holds a space. Needs a finished build of app/.
set -u
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
. "$root/scripts/say.sh"
. "$root/scripts/build.sh"
. "$root/scripts/needs.sh"
build

work=$(mktemp -d "${TMPDIR:-/tmp}/nursery test.XXXXXX")
copy="$work/a shop"
mkdir -p "$copy/var"
cp -a "$root/nursery" "$root/scripts" "$root/pom.xml" "$root/core" "$root/app" "$copy/"
cp -a "$root/var/app" "$copy/var/"
passed=0 failed=0
port=$((32000 + RANDOM % 8000))

leftovers() { pgrep -f "$copy/var" | grep -v "^$$\$"; for short in /tmp/nursery.*/folder; do [ "$(readlink "$short" 2>/dev/null)" != "$copy/var/demo" ] || echo "$short"; done; }
cleanup() {
  "$copy/nursery" stop >/dev/null 2>&1
  rm -rf "$work"
  # A line of this form is what the build reads.
  printf '%s passed, %s failed\n' "$passed" "$failed"
  # What a trap returns is nobody's status: only an exit in it is.
  [ "$failed" = 0 ] || exit 1
}
trap cleanup EXIT

check() { # WHAT CONDITION...
  local what=$1
  shift
  if "$@"; then passed=$((passed + 1)); else failed=$((failed + 1)) && say "FAILED: $what" && sed 's/^/    /' "$work/out" "$work/err" >&2; fi
}
says() { grep -q -- "$1" "$work/err"; }
get() { # PATH [COOKIE]
  (exec 3<>"/dev/tcp/127.0.0.1/$port" && printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\nCookie: %s\r\n\r\n' "$1" "${2:-}" >&3 && cat <&3) 2>/dev/null
}
shows() { get "$1" | grep -q -- "$2"; }
hides() { ! shows "$1" "$2"; }
one_ready_line() { [ "$(cat "$work/out")" = "Nursery is ready: http://127.0.0.1:$port/" ]; }
ended() { # within 40 seconds
  local left=400
  while kill -0 "$started" 2>/dev/null && [ "$left" -gt 0 ]; do sleep 0.1; left=$((left - 1)); done
  [ "$left" -gt 0 ]
}
nothing_left() { [ -z "$(leftovers)" ]; }
# A background process of a script starts with Ctrl-C ignored; a person's terminal does not do that, so env resets it.
start() { # ARGUMENTS... in the background, until it is ready or gives up
  : >"$work/out"
  (cd / && exec setsid env --default-signal=INT "$copy/nursery" "$@" --port "$port" >"$work/out" 2>"$work/err" </dev/null) &
  started=$!
  while [ ! -s "$work/out" ] && kill -0 "$started" 2>/dev/null; do sleep 0.1; done
}
refused() { ! "$copy/nursery" "$@" >"$work/out" 2>"$work/err" </dev/null; }

start demo
check "demo prints exactly one line" one_ready_line
check "the first page shows the demo" shows / 'Winter sky'
check "an unknown page is a 404" shows /nowhere ' 404'
mkdir -p "$work/copied/var/demo"
cp -a "$copy/nursery" "$copy/scripts" "$work/copied/"
cp "$copy"/var/demo/*.pid "$work/copied/var/demo/"
"$work/copied/nursery" stop >/dev/null 2>&1
check "stopping a copy of the folder leaves the original alone" shows / 'Winter sky'
check "a second start is refused" refused demo --port $((port + 1))
check "and says where the first is" says "already open at http://127.0.0.1:$port/"
check "a taken port is refused" refused start --port "$port"
check "and another is suggested" says "--port $((port + 1))"

kill -INT "$started"
check "Ctrl-C ends it" ended
check "Ctrl-C leaves nothing running" nothing_left

start demo --keep
check "with --keep it starts on what there is" one_ready_line
pkill -KILL -f "$copy/nursery" ; pkill -KILL -f "$copy/var/app/nursery.jar"
ended
start demo
check "after a killed start the next one clears up and starts" one_ready_line
database=$(cat "$copy/var/demo/mariadb.pid")
cookie=$(get / | sed -n 's/^Set-Cookie: \(nursery=[^;]*\).*/\1/p')
kill -STOP "$database"
check "a frozen database is given up within seconds" eval '[ "$(timeout 8 bash -c "$(declare -f get); port=$port; get /cups" | grep -c "does not answer")" = 1 ]'
check "and to somebody who was here before" eval '[ -n "$cookie" ] && [ "$(timeout 12 bash -c "$(declare -f get); port=$port; get /cups $cookie" | grep -c "does not answer")" = 1 ]'
kill -CONT "$database"
back() { local left=300; until shows / 'Winter sky' || [ "$left" = 0 ]; do sleep 0.1; left=$((left - 1)); done; [ "$left" -gt 0 ]; }
check "and used again when it thaws" back
kill -KILL "$database"
sleep 0.3
check "a database that died is started again, and the page is back" back
(cd / && "$copy/nursery" stop) >"$work/err" 2>&1
check "stop says so" says 'Nursery is stopped'
check "and ends the start command" ended
check "stop leaves nothing running" nothing_left

rm -rf "$copy/var/shop" && mkdir -p "$copy/var/shop/data.new/half" # as a set-up cut short leaves it
echo damaged >"$copy/var/app/classes.jsa"
start start
check "start opens an empty shop, a damaged class archive notwithstanding" shows / 'Start: three questions'
check "without the demo's cups" hides / 'Winter sky'
"$copy/nursery" stop >/dev/null 2>&1
ended

mkdir "$work/bin" && printf '#!/bin/sh\necho header\necho disk 1 1 1024 99%% /\n' >"$work/bin/df" && chmod +x "$work/bin/df"
check "a full disk is refused" eval 'PATH="$work/bin:$PATH" refused demo'
check "and says how much is needed" says 'Only 1 MB are free'
check "a port that is none is refused" refused demo --port eighty
check "a port out of range is refused" refused demo --port 80
check "an unknown word is refused" refused demo --fresh
check "stop with nothing to stop is fine" "$copy/nursery" stop
