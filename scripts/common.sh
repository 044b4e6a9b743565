# What start, test and bench share. Sourced, not run.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }

# install PACKAGE ...: Debian packages, those that are missing only.
install() {
  local missing=()
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    command -v sudo >/dev/null || die "These Debian packages are missing: ${missing[*]}. Install them as root: apt-get install ${missing[*]}"
    as=(sudo)
  fi
  say "Installing ${missing[*]} ..."
  # Kalypto makes a cluster of its own; the package need not make one.
  if [ ! -e /etc/postgresql-common/createcluster.conf ] && [[ " ${missing[*]} " == *" postgresql "* ]]; then
    "${as[@]}" mkdir -p /etc/postgresql-common
    echo "create_main_cluster = false" | "${as[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  "${as[@]}" apt-get update -qq >/dev/null || die "apt-get update failed. Check the machine's package sources."
  DEBIAN_FRONTEND=noninteractive "${as[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null \
    || die "apt-get could not install ${missing[*]}. Check the machine's package sources."
}

require_tools() {
  command -v dotnet >/dev/null && dotnet --list-sdks | grep -q '^10\.' \
    || die "The .NET 10 SDK is missing. Get it from Microsoft or your distribution (package dotnet-sdk-10.0)."
  command -v node >/dev/null && command -v npm >/dev/null || die "Node.js and npm are missing. Install Node.js 20 or later."
  install postgresql librsvg2-2 libcairo2 libpoppler-glib8 libqpdf29 libwoff1 libdeflate0 libzopfli1 fontconfig fonts-dejavu-core fonts-inter fonts-roboto-unhinted fonts-open-sans fonts-lato fonts-noto-core fonts-noto-color-emoji libicu72 libseccomp2
}

# The exact engine draws with the browser of the system.
require_browser() {
  install chromium
}

# installation_key DIR: the file with the key of this installation in a data folder, made when it is not there. It seals backups and addresses.
installation_key() {
  local key=$1/keys/installation.key
  if [ ! -s "$key" ]; then
    mkdir -p "$1/keys"
    chmod 700 "$1/keys"
    (umask 077; head -c 32 /dev/urandom >"$key.part" && mv -n "$key.part" "$key")
  fi
  echo "$key"
}

# schema_version: the number of the newest migration that this version of Kalypto knows.
schema_version() { ls "$root"/src/Kalypto.Store/Migrations/*.sql | sed -E 's|.*/([0-9]{4})_.*|\1|' | sort | tail -n 1; }

free_port() {
  node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

port_is_free() {
  node -e 'const s=require("net").createServer().on("error",()=>process.exit(1)).listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"
}
