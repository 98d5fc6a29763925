# Shared by the commands in this folder: finds or installs what they need. Meant to be sourced.
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"

say() { printf '%s\n' "$*" >&2; }
die() { say "pyrethos: $*"; exit 1; }
have() { command -v "$1" >/dev/null 2>&1; }

# Runs a command as root: straight, or through sudo.
as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif have sudo; then sudo "$@"; else die "needs root for: $* (no sudo here)"; fi
}

apt_updated=
need_package() {
  dpkg -s "$1" >/dev/null 2>&1 && return
  say "installing $1"
  if [ -z "$apt_updated" ]; then as_root apt-get update -qq >&2; apt_updated=1; fi
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" >/dev/null || die "could not install $1"
}

# Node.js 20.19 or later. Debian's own may be older; the npm registry carries the program as a package.
need_node() {
  local tools="$HOME/.cache/pyrethos/node"
  [ -x "$tools/node_modules/node/bin/node" ] && PATH="$tools/node_modules/node/bin:$PATH"
  if have node && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'; then have npm || need_package npm; return; fi
  have npm || need_package npm
  say "installing Node.js 20"
  mkdir -p "$tools"
  (cd "$tools" && npm install --silent --no-audit --no-fund node@20 >&2) || die "could not install Node.js"
  PATH="$tools/node_modules/node/bin:$PATH"
}

# npm packages, again only when the lock file has changed.
need_modules() {
  need_node
  cmp -s package-lock.json node_modules/.pyrethos-lock 2>/dev/null && return
  say "installing npm packages"
  # Not `npm ci`: it refuses a lock without the optional binaries of platforms the registry does not carry.
  npm install --no-save --no-audit --no-fund --loglevel=error 2>&1 | tail -n 8 >&2 || die "npm could not install the packages"
  cp package-lock.json node_modules/.pyrethos-lock
}

need_postgres() {
  if [ ! -x "${PG_BIN:=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)}/postgres" ]; then
    need_package postgresql
    PG_BIN=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
  fi
}

# PostgreSQL refuses to run as root: there it runs as the postgres user.
as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

free_port() {
  node -e 'const s=require("net").createServer().listen(Number(process.argv[1]),"127.0.0.1",()=>{console.log(s.address().port);s.close()}).on("error",()=>{const t=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(t.address().port);t.close()})})' "$1"
}

# pg_begin FOLDER: a cluster of our own in FOLDER, on loopback with a password; sets DATABASE_URL.
pg_begin() {
  local folder=$1 port
  need_postgres
  mkdir -p "$folder"
  if [ "$(id -u)" = 0 ]; then chown postgres "$folder"; fi
  chmod 700 "$folder"
  if [ ! -f "$folder/data/PG_VERSION" ]; then
    say "creating a database in $folder"
    head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' >"$folder/password.new"
    chmod 600 "$folder/password.new"
    if [ "$(id -u)" = 0 ]; then chown postgres "$folder/password.new"; fi
    as_pg "$PG_BIN/initdb" -D "$folder/data" -U pyrethos -E UTF8 --locale=C.UTF-8 --auth=scram-sha-256 --pwfile="$folder/password.new" >/dev/null || die "initdb failed"
    mv "$folder/password.new" "$folder/password"
  fi
  port=$(free_port "${PYRETHOS_PG_PORT:-54329}")
  as_pg "$PG_BIN/pg_ctl" -D "$folder/data" -l "$folder/postgres.log" -w -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' ${PYRETHOS_PG_OPTIONS:-}" start >/dev/null || die "PostgreSQL did not start; see $folder/postgres.log"
  export DATABASE_URL="postgres://pyrethos:$(cat "$folder/password")@127.0.0.1:$port/postgres"
}

pg_end() {
  # After a power cut the file names a process that is gone: nothing to stop then, and no reason to give up.
  [ ! -f "$1/data/postmaster.pid" ] || as_pg "$PG_BIN/pg_ctl" -D "$1/data" -m fast -w stop >/dev/null 2>&1 || true
}

# data_folder: where our own database lives.
data_folder() {
  if [ -n "${PYRETHOS_DATA:-}" ]; then echo "$PYRETHOS_DATA"
  elif [ "$(id -u)" = 0 ]; then echo /var/lib/pyrethos
  else echo "${XDG_DATA_HOME:-$HOME/.local/share}/pyrethos"; fi
}

# use_database: sets DATABASE_URL to our own database, started for as long as this script runs where it is not running.
use_database() {
  local folder
  need_postgres
  [ -z "${DATABASE_URL:-}" ] || return 0
  folder=$(data_folder)
  [ -f "$folder/data/PG_VERSION" ] || die "there is no database in $folder yet; bin/start makes one"
  if as_pg "$PG_BIN/pg_ctl" -D "$folder/data" status >/dev/null 2>&1; then
    export DATABASE_URL
    DATABASE_URL="postgres://pyrethos:$(cat "$folder/password")@127.0.0.1:$(sed -n 4p "$folder/data/postmaster.pid")/postgres"
  else
    pg_begin "$folder"
    own_cluster=yes
    trap 'pg_end "$(data_folder)"' EXIT
  fi
}

# The lock that every server shares and a restore takes alone (src/lib/server/db/hold.ts).
HOLD_LOCK=7309002

# count_rows FILE: each table of a backup with its rows, as the file holds them.
count_rows() {
  "$PG_BIN/pg_restore" --data-only --file=- "$1" | awk '/^COPY public\./ { t = $2; sub(/^public\./, "", t); n = 0; on = 1; next } on && /^\\\.$/ { print t, n; on = 0; next } on { n++ }' | sort
}

# count_tables "NAMES": the same of tables in the database at DATABASE_URL.
count_tables() {
  local table
  for table in $1; do
    echo "$table $("$PG_BIN/psql" --quiet --no-psqlrc --tuples-only --no-align --dbname="$DATABASE_URL" --command="SELECT count(*) FROM public.$table")"
  done | sort
}

# proves_itself FILE: restores a backup into a database of its own beside the one it is of, and counts. Where the role
# may make no database, the file is read through and counted against nothing.
proves_itself() {
  local name="pyrethos_proof_$$" url good=
  "$PG_BIN/psql" --quiet --no-psqlrc --dbname="$DATABASE_URL" --command="CREATE DATABASE $name" >/dev/null 2>&1 || { count_rows "$1" >/dev/null; return; }
  url=$(printf '%s' "$DATABASE_URL" | sed -E "s#(://[^/]*/)[^?]*#\1$name#")
  if "$PG_BIN/pg_restore" --no-owner --no-privileges --exit-on-error --single-transaction --dbname="$url" "$1" &&
    [ "$(count_rows "$1")" = "$(DATABASE_URL=$url count_tables "$(count_rows "$1" | cut -d' ' -f1)")" ]; then good=yes; fi
  "$PG_BIN/psql" --quiet --no-psqlrc --dbname="$DATABASE_URL" --command="DROP DATABASE $name" >/dev/null 2>&1 || true
  [ -n "$good" ]
}

# Locked with AES-256-GCM by a key that scrypt makes of the passphrase; the mark at its beginning tells it from others.
is_encrypted() { [ "$(head -c 12 "$1")" = 'PYRETHOS-GCM' ]; }
encrypt_backup() { node bin/backup-key.mjs lock "$1" "$2"; }
decrypt_backup() { node bin/backup-key.mjs open "$1" "$2"; }

# keep_backups FOLDER: the newest of each of the last seven days and of the last five weeks; the others go.
keep_backups() {
  { ls -1 "$1"/pyrethos-*.backup 2>/dev/null || true; } | sort -r | node -e '
    const files = require("fs").readFileSync(0, "utf8").split("\n").filter(Boolean);
    const days = new Set(), weeks = new Set();
    for (const file of files) {
      const day = /(\d{4}-\d\d-\d\d)-\d{4}\.backup$/.exec(file)?.[1];
      if (!day) continue;
      const week = Math.floor((Date.parse(day) / 86400000 + 3) / 7);
      const first = !days.has(day), firstOfWeek = !weeks.has(week);
      days.add(day); weeks.add(week);
      if (!((first && days.size <= 7) || (firstOfWeek && weeks.size <= 5))) console.log(file);
    }' | while IFS= read -r old; do rm -f "$old"; done
}
