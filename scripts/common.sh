# Shared by ./start and ./test: says what it does, installs what is missing, keeps a PostgreSQL cluster.
# Sourced, never run.

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
# A folder that an unprivileged database user can enter, one for each checkout.
STATE="${RITORNO_STATE:-/var/tmp/ritorno-$(printf '%s' "$ROOT" | cksum | cut -d' ' -f1)}"

say() { printf '\n\033[1m%s\033[0m\n' "$*"; }
note() { printf '  %s\n' "$*"; }
fail() { printf '\nritorno: %s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null; then sudo "$@"
  else fail "needs root to install packages: run as root or install sudo"
  fi
}

need_toolchains() {
  command -v cargo >/dev/null || fail "Rust is missing. Install a current toolchain (1.88 or newer, rustup.rs), then run this again."
  local rust; rust="$(rustc --version | cut -d' ' -f2)"
  [ "$(printf '%s\n1.88.0\n' "$rust" | sort -V | head -1)" = 1.88.0 ] || fail "Rust $rust is too old: 1.88 or newer is needed (rustup update)."
  command -v node >/dev/null || fail "Node is missing. Install Node 20 or newer, then run this again."
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node $(node --version) is too old: 20 or newer is needed."
  command -v npm >/dev/null || fail "npm is missing. It comes with Node 20 or newer."
}

# need_packages NAME... : installs the Debian packages that are missing.
need_packages() {
  local missing=()
  for name in "$@"; do
    dpkg-query -W -f='${Status}' "$name" 2>/dev/null | grep -q 'install ok installed' || missing+=("$name")
  done
  [ "${#missing[@]}" -gt 0 ] || return 0
  note "installing ${missing[*]}"
  # Without this Debian would start a server of its own.
  as_root mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

BASE_PACKAGES=(gcc libc6-dev pkg-config libpq-dev postgresql postgresql-client ca-certificates)

pg_bin() { ls -d /usr/lib/postgresql/*/bin | sort -V | tail -1; }

# PostgreSQL refuses to run as root.
as_pg() {
  if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi
}

free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }

# start_cluster NAME [EXTRA OPTIONS]: a cluster on loopback with generated passwords.
# Sets PG_DIR, PG_PORT, OWNER_PASSWORD, APP_PASSWORD.
start_cluster() {
  local name="$1" extra="${2:-}" bin; bin="$(pg_bin)"
  PG_DIR="$STATE/$name"
  mkdir -p "$STATE"; chmod 711 "$STATE"
  if [ ! -s "$PG_DIR/PG_VERSION" ]; then
    note "making a database cluster in $PG_DIR"
    rm -rf "$PG_DIR"; mkdir -p "$PG_DIR"; chmod 700 "$PG_DIR"
    OWNER_PASSWORD="$(node -p 'require("crypto").randomBytes(18).toString("hex")')"
    APP_PASSWORD="$(node -p 'require("crypto").randomBytes(18).toString("hex")')"
    (umask 077; printf '%s' "$OWNER_PASSWORD" > "$STATE/$name.owner"; printf '%s' "$APP_PASSWORD" > "$STATE/$name.app")
    local pwfile; pwfile="$(mktemp)"; printf '%s' "$OWNER_PASSWORD" > "$pwfile"
    if [ "$(id -u)" = 0 ]; then chown -R postgres: "$PG_DIR"; chown postgres "$pwfile"; fi
    as_pg "$bin/initdb" -D "$PG_DIR" -U ritorno_owner --auth=scram-sha-256 --pwfile="$pwfile" --encoding=UTF8 --locale=C.UTF-8 >/dev/null
    rm -f "$pwfile"
  fi
  OWNER_PASSWORD="$(cat "$STATE/$name.owner")"; APP_PASSWORD="$(cat "$STATE/$name.app")"
  if as_pg "$bin/pg_ctl" -D "$PG_DIR" status >/dev/null 2>&1; then
    PG_PORT="$(sed -n 4p "$PG_DIR/postmaster.pid" 2>/dev/null || as_pg sed -n 4p "$PG_DIR/postmaster.pid")"
    note "the database is running already on 127.0.0.1:$PG_PORT"
  else
    # A stale pid file of a machine that went down is pg_ctl's to clear away.
    PG_PORT="${PG_FIXED_PORT:-$(free_port)}"
    as_pg "$bin/pg_ctl" -D "$PG_DIR" -w -t 30 -l "$PG_DIR/server.log" \
      -o "-c listen_addresses=127.0.0.1 -c port=$PG_PORT -c unix_socket_directories='' $extra" start >/dev/null || fail "PostgreSQL did not start; see $PG_DIR/server.log"
    note "the database runs on 127.0.0.1:$PG_PORT"
  fi
  PGPASSWORD="$OWNER_PASSWORD" psql -qX -h 127.0.0.1 -p "$PG_PORT" -U ritorno_owner -d postgres -v ON_ERROR_STOP=1 >/dev/null <<SQL
do \$\$ begin
  if not exists (select from pg_roles where rolname = 'ritorno_app') then create role ritorno_app login password '$APP_PASSWORD'; end if;
end \$\$;
SQL
}

stop_cluster() { as_pg "$(pg_bin)/pg_ctl" -D "$PG_DIR" -m fast -w stop >/dev/null 2>&1 || true; }

url() { printf 'postgres://%s:%s@127.0.0.1:%s/%s' "$1" "$2" "$PG_PORT" "$3"; }

# live_database demo|clinic : starts the cluster that ./start serves from, makes its database, exports its addresses.
live_database() {
  local first database
  if [ "$1" = clinic ]; then start_cluster clinic; else start_cluster live; fi
  # Until the first release the migrations may start anew: a database belongs to the first of them, an older one is left alone.
  first=("$ROOT"/crates/store/migrations/*_first)
  database="ritorno_$(basename "${first[0]}" | cut -c1-17 | tr -d -)"
  if ! PGPASSWORD="$OWNER_PASSWORD" psql -qXAt -h 127.0.0.1 -p "$PG_PORT" -U ritorno_owner -d postgres -c "select 1 from pg_database where datname='$database'" | grep -q 1; then
    PGPASSWORD="$OWNER_PASSWORD" psql -qX -h 127.0.0.1 -p "$PG_PORT" -U ritorno_owner -d postgres -c "create database $database"
  fi
  OWNER_DATABASE_URL="$(url ritorno_owner "$OWNER_PASSWORD" "$database")"
  DATABASE_URL="$(url ritorno_app "$APP_PASSWORD" "$database")"
  export OWNER_DATABASE_URL DATABASE_URL RITORNO_KNOWLEDGE="$ROOT/knowledge" RITORNO_WEB="$ROOT/web/dist"
}

build_web() {
  cd "$ROOT/web"
  if [ ! -d node_modules ] || [ package-lock.json -nt node_modules/.ritorno ]; then
    note "fetching the page's libraries"
    npm ci --no-audit --no-fund --loglevel=error >/dev/null
    touch node_modules/.ritorno
  fi
  # The patient's page is built last: where it is not there, or older than what it is made of, both are built.
  if [ ! -f dist/phone.html ] || [ -n "$(find src ../locales index.html phone.html package-lock.json vite.config.ts vite.phone.config.ts catalogues.ts controls.ts packed.ts worker.ts public -newer dist/phone.html -print -quit)" ]; then
    note "building the pages"
    npx vite build --logLevel warn
    npx vite build --logLevel warn -c vite.phone.config.ts
  fi
  cd "$ROOT"
}

# building WHAT COMMAND... : runs a build on one line of progress. Everything it says lies in $STATE/build.log and is shown when it fails.
building() {
  local what="$1" line count=0 log="$STATE/build.log" failed; shift
  mkdir -p "$STATE"; chmod 711 "$STATE"; : > "$log"
  { failed=0; "$@" 2>&1 || failed=$?; echo "$failed" > "$STATE/build.status"; } | while IFS= read -r line; do
    printf '%s\n' "$line" >> "$log"
    case "$line" in
      *Compiling*) count=$((count + 1)); line="$count built, now ${line##*Compiling }" ;;
      *Download*|*Updating*) line="fetching libraries" ;;
      *) continue ;;
    esac
    [ ! -t 1 ] || printf '\r\033[K  %s: %.60s' "$what" "$line"
  done
  failed="$(cat "$STATE/build.status")"
  [ ! -t 1 ] || printf '\r\033[K'
  if [ "$failed" != 0 ]; then tail -60 "$log"; return "$failed"; fi
  count="$(grep -c Compiling "$log" || true)"
  note "$what: $([ "$count" = 0 ] && echo "nothing has changed" || echo "$count parts built")"
}
