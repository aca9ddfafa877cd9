# Builds the application when its sources are newer than the last build, and runs the tests.

# A build is over before Java has made it fast: trying to takes twice the processor.
maven() { (cd "$root" && MAVEN_OPTS="-XX:TieredStopAtLevel=1 -XX:+UseSerialGC ${MAVEN_OPTS:-}" mvn -B -ntp "$@"); }

is_built() {
  [ -f "$root/var/app/nursery.jar" ] || return 1
  [ -z "$(find "$root/pom.xml" "$root"/core/pom.xml "$root"/core/src/main "$root"/app/pom.xml "$root"/app/src/main \
    -newer "$root/var/app/nursery.jar" -print -quit)" ]
}

# Java as a shop runs it. The second compiler waits until something has run eight times as often as Java thinks is enough:
# at a start it takes as long as all the rest, for what is not asked for again. Twenty times saves a start five seconds
# more, and doubles what a page takes in the first minutes.
java_ways=(-XX:+UseSerialGC -Xmx512m -XX:Tier4InvocationThreshold=40000 -XX:Tier4MinInvocationThreshold=4800
  -XX:Tier4CompileThreshold=120000 -XX:Tier4BackEdgeThreshold=320000)

build() {
  mkdir -p "$root/var/log"
  # Two that start at once build one after the other; the second finds it done.
  (
    flock 8
    # What an interrupted build left, and classes whose sources are gone, are in nobody's way.
    rm -rf "$root/var/app.new"
    is_built || build_now
    # What is still being installed is needed for the next.
    while [ -n "${coming:-}" ] && kill -0 "$coming" 2>/dev/null; do sleep 0.1; done
    [ -f "$root/var/app/classes.jsa" ] || [ -f "$root/var/app/classes.none" ] || remember_classes
  ) 8>"$root/var/build.lock" || exit 1
}

build_now() {
  need_to build
  need_space "$root/var" 1000 "building"
  say "Building Nursery (the first time takes a few minutes)."
  rm -rf "$root/core/target/classes" "$root/app/target/classes"
  # What is proven of the sources, and the tests, are none of a shop's business: ./nursery test builds with them.
  maven -q -pl core,app -Dunproven -Dmaven.test.skip=true package >"$root/var/log/build.log" 2>&1 ||
    die "The build failed: $(grep -m 1 ERROR "$root/var/log/build.log") The whole story is in var/log/build.log."
  unpack
}

# What Maven has built becomes what is started.
unpack() {
  rm -rf "$root/var/app" "$root/var/app.new"
  java -Djarmode=tools -jar "$root/app/target/nursery.jar" extract --destination "$root/var/app.new" >>"$root/var/log/build.log" 2>&1 ||
    die "Unpacking the build failed; the reason is in var/log/build.log."
  touch "$root/var/app.new/nursery.jar"
  mv "$root/var/app.new" "$root/var/app"
}

# Lets a demo run for a moment and remembers which classes that took: every start after it computes half as long. If that
# fails, starts are slower, and that is all.
remember_classes() {
  say "Starting it once, so that later starts are quick."
  local first=$root/var/first port
  end_first
  trap end_first EXIT
  mkdir -p "$first"
  (
    umask 077
    "$root/scripts/mariadb" start "$first" 8>&- 9>&- || exit 1
    port=$((20000 + RANDOM % 12000))
    while is_taken "$port"; do port=$((port + 1)); done
    set -a
    . "$first/database.env"
    set +a
    java "${java_ways[@]}" -XX:ArchiveClassesAtExit="$root/var/app/classes.new" -jar "$root/var/app/nursery.jar" \
      --server.port="$port" --nursery.demo=true --nursery.files.folder="$first/files" --nursery.keep.folder="$first/keep" \
      </dev/null >"$root/var/log/first.log" 2>&1 8>&- 9>&- &
    echo $! >"$first/application.pid"
    waits_for "$!" 180 answers "$port" || exit 1
    for path in /cups /cups/new /cups/A-01 /mix /plan /shelf /faults; do fetched "$port" "$path" >/dev/null; done
    kill "$!"
    wait "$!"
    [ -f "$root/var/app/classes.new" ] && mv "$root/var/app/classes.new" "$root/var/app/classes.jsa"
    "$root/scripts/mariadb" stop "$first" 8>&- 9>&-
    touch "$first/classes-remembered"
  ) || say "That did not work; the reason is in var/log/first.log."
  # Not tried again with every start.
  [ -f "$root/var/app/classes.jsa" ] || touch "$root/var/app/classes.none"
  trap - EXIT
}

# What an interrupted one left.
end_first() {
  end "$root/var/first/application.pid" nursery.jar 5
  [ -d "$root/var/first" ] && "$root/scripts/mariadb" stop "$root/var/first" 8>&- 9>&-
  rm -rf "$root/var/first"
}

# All of them; quick: what tells most in a minute; a class's name: that one, or CLASS#TEST.
run_tests() { # [quick | NAME]
  local which=${1:-}
  need_to run build test
  mkdir -p "$root/var/test"
  trap 'stop_test_databases' EXIT
  case $which in
    '')
      maven verify || exit 1
      # What was just built is what the start is tried with, not the same built once more.
      mkdir -p "$root/var/log" && { is_built || unpack; }
      bash "$root/scripts/test-start.sh" || exit 1
      ;;
    quick)
      # Without what takes the core a quarter of a minute and more each.
      maven -pl core,app test -Dsurefire.failIfNoSpecifiedTests=false \
        -Dtest="nursery.core.**.*Test,!PlannerTest,!ExactModelTest,!RoomTest,!CalibrationTest,!BlockTest,!EffortTest,\
BoundariesTest,CupJourneyTest#fromAnEmptyShopToACoatOnTheTurner" || exit 1
      ;;
    *) # Of a name that is no test's, Maven says so itself, but only where every module lacks it.
      find "$root"/core/src/test "$root"/app/src/test -name "${which%%#*}.java" | grep -q . || die "There is no test called ${which%%#*}."
      maven -pl core,app test -Dtest="$which" -Dsurefire.failIfNoSpecifiedTests=false || exit 1
      ;;
  esac
}

# Surefire's JVM stops its own database; this is for a JVM that was killed.
stop_test_databases() {
  local folder
  for folder in "$root"/var/test/*/; do
    [ -d "$folder" ] && "$root/scripts/mariadb" stop "$folder" && rm -rf "$folder"
  done
}
