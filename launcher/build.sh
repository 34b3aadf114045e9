# The web pages, and the jar that serves them.

fetch_web_packages() {
  need_node
  cd "$ROOT/web"
  if [ ! -e node_modules/.package-lock.json ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
    say "Fetching the web build's packages"
    npm ci --silent --no-fund --no-audit
    touch node_modules/.package-lock.json
  fi
  cd "$ROOT"
}

# The core as the pages run it, compiled from the same classes.
build_page_core() {
  say "Compiling the core for the pages"
  (cd "$ROOT" && mvn -q -B -pl core,shown,browser process-classes) ||
    fail "the core could not be compiled for the pages; the lines above say why."
}

build_web() {
  build_page_core
  fetch_web_packages
  cd "$ROOT/web"
  say "Building the web pages"
  npm run --silent build
  cd "$ROOT"
}

jar_is_current() {
  [ -f "$JAR" ] && [ -z "$(find "$ROOT/pom.xml" "$ROOT"/{core,shown,browser,server}/{pom.xml,src/main} "$ROOT"/words "$ROOT"/web/{src,scripts,public,index.html,package-lock.json,vite.config.ts} \
    -newer "$JAR" -type f -print -quit 2>/dev/null)" ]
}

build() {
  jar_is_current && return
  build_web
  say "Building the server"
  (cd "$ROOT" && mvn -q -B -pl core,shown,browser,server -am package -DskipTests) ||
    fail "the build failed; the lines above say where."
}

