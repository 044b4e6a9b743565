# A PostgreSQL cluster of the project's own, on loopback. Sourced after common.sh.

postgres_bin=""
postgres_dir=""

# As the user that may run PostgreSQL: it refuses to run as root.
as_postgres() {
  if [ "$(id -u)" -eq 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi
}

# random_secret FILE: letters and digits that only the owner of the file reads.
random_secret() { (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=' >"$1"); }

# The role that Kalypto works as: it owns its databases and may do nothing beyond them. The superuser is used here alone.
postgres_role() {
  local port=$1 super own database
  own=$(as_postgres cat "$postgres_dir.server.secret")
  super=$(as_postgres cat "$postgres_dir.secret")
  as_super() { PGHOST=127.0.0.1 PGPORT=$port PGUSER=kalypto PGPASSWORD=$super "$postgres_bin/psql" --no-psqlrc --quiet --tuples-only --no-align --set ON_ERROR_STOP=1 "$@"; }
  as_super --dbname postgres >/dev/null <<SQL || die "The role of the server could not be made; see $postgres_dir/server.log."
select 'create role kalypto_server' where not exists (select from pg_roles where rolname = 'kalypto_server') \gexec
alter role kalypto_server with login createdb nosuperuser nocreaterole noreplication password '$own';
SQL
  # Databases of before belonged to the superuser.
  for database in $(as_super --dbname postgres --command "select datname from pg_database where not datistemplate and datname <> 'postgres' and datdba = 'kalypto'::regrole"); do
    as_super --dbname "$database" >/dev/null <<SQL || die "The database $database could not be given to the role of the server."
select format('alter %s %I.%I owner to kalypto_server', case c.relkind when 'S' then 'sequence' when 'v' then 'view' else 'table' end, n.nspname, c.relname)
  from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and c.relkind in ('r', 'p', 'v', 'S')
  and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i') and c.relkind = 'S') \gexec
select format('alter function %s owner to kalypto_server', p.oid::regprocedure) from pg_proc p join pg_namespace n on n.oid = p.pronamespace where n.nspname = 'public' \gexec
alter database "$database" owner to kalypto_server;
SQL
  done
}

# postgres_up DIR: starts the cluster in DIR, made when it is not there, and exports KALYPTO_DATABASE. It gets the options in
# postgres_more besides.
postgres_up() {
  postgres_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  [ -x "$postgres_bin/initdb" ] || die "PostgreSQL's server is missing. Install it: apt-get install postgresql"
  mkdir -p "$1"
  postgres_dir=$(cd "$1" && pwd)/postgres
  if [ "$(id -u)" -eq 0 ] && ! runuser -u postgres -- test -x "$(dirname "$postgres_dir")"; then
    postgres_dir=/var/tmp/kalypto-$(printf '%s' "$postgres_dir" | sha256sum | cut -c1-12)
    say "The user postgres cannot reach $1; the database is in $postgres_dir."
  fi
  local secret=$postgres_dir.secret
  if [ ! -s "$postgres_dir/PG_VERSION" ]; then
    rm -rf "$postgres_dir"
    random_secret "$secret"
    mkdir -p "$postgres_dir"
    chmod 700 "$postgres_dir"
    if [ "$(id -u)" -eq 0 ]; then chown postgres "$postgres_dir" "$secret"; fi
    as_postgres "$postgres_bin/initdb" -D "$postgres_dir" -U kalypto -A scram-sha-256 --pwfile="$secret" -E UTF8 --locale=C.UTF-8 >/dev/null \
      || die "The database could not be made in $postgres_dir."
  fi
  # After a kill the server may still be there: it is used as it is.
  if ! as_postgres "$postgres_bin/pg_ctl" -D "$postgres_dir" status >/dev/null 2>&1; then
    local port
    port=$(free_port)
    as_postgres "$postgres_bin/pg_ctl" -D "$postgres_dir" -w -l "$postgres_dir/server.log" -o \
      "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c max_connections=200 ${postgres_more:-}" start >/dev/null \
      || die "The database did not start; see $postgres_dir/server.log."
  fi
  # Whoever started it stops it; when they are gone, whoever comes next does.
  local owner
  owner=$(cat "$postgres_dir.owner" 2>/dev/null || true)
  [ -n "$owner" ] && kill -0 "$owner" 2>/dev/null || echo $$ >"$postgres_dir.owner"
  local running
  running=$(as_postgres sed -n 4p "$postgres_dir/postmaster.pid")
  local own=$postgres_dir.server.secret
  if ! as_postgres test -s "$own"; then
    random_secret "$own"
    if [ "$(id -u)" -eq 0 ]; then chown postgres "$own"; fi
  fi
  postgres_role "$running"
  KALYPTO_DATABASE="Host=127.0.0.1;Port=$running;Username=kalypto_server;Password=$(as_postgres cat "$own");Database=kalypto;Maximum Pool Size=30"
  export KALYPTO_DATABASE
}

# Keeps the cluster alive until it is killed, where this script started it: one that died is started again where it was.
postgres_watch() {
  local tries=0 well=0 port
  port=$(sed -E 's/.*Port=([0-9]+).*/\1/' <<<"$KALYPTO_DATABASE")
  while sleep 2; do
    [ "$(cat "$postgres_dir.owner" 2>/dev/null)" = $$ ] || continue
    if as_postgres "$postgres_bin/pg_ctl" -D "$postgres_dir" status >/dev/null 2>&1; then
      well=$((well + 1))
      [ "$well" -lt 150 ] || tries=0
      continue
    fi
    well=0 tries=$((tries + 1))
    if [ "$tries" -gt "${postgres_tries:-20}" ]; then
      say "The database does not come up again; see $postgres_dir/server.log. Kalypto ends. Nothing that was saved is lost."
      kill -TERM $$
      return
    fi
    say "The database stopped by itself; it is started again."
    as_postgres "$postgres_bin/pg_ctl" -D "$postgres_dir" -w -l "$postgres_dir/server.log" -o \
      "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c max_connections=200" start >/dev/null 2>&1 || true
  done
}

# Stops the cluster, unless another script that still runs started it.
postgres_down() {
  [ -n "$postgres_dir" ] && [ "$(cat "$postgres_dir.owner" 2>/dev/null)" = $$ ] && as_postgres "$postgres_bin/pg_ctl" -D "$postgres_dir" -m fast -w stop >/dev/null 2>&1 || true
}

# postgres_find: the tools of PostgreSQL for a cluster that runs already, told by KALYPTO_DATABASE.
postgres_find() {
  postgres_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  [ -x "$postgres_bin/pg_dump" ] || die "PostgreSQL's tools are missing. Install them: apt-get install postgresql"
}

# postgres_tool NAME ARGUMENT ...: a tool of PostgreSQL on the cluster that is up.
postgres_tool() {
  local tool=$1
  shift
  PGHOST=127.0.0.1 PGPORT=$(sed -E 's/.*Port=([0-9]+).*/\1/' <<<"$KALYPTO_DATABASE") PGUSER=$(sed -E 's/.*Username=([^;]*).*/\1/' <<<"$KALYPTO_DATABASE") \
    PGPASSWORD=$(sed -E 's/.*Password=([^;]*).*/\1/' <<<"$KALYPTO_DATABASE") "$postgres_bin/$tool" "$@"
}
