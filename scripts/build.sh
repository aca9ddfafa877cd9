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
