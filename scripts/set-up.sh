# What ./start and ./check share: everything that must be there before anything runs. Sourced by bash.
# Says clearly what is missing when it cannot be installed.

fail() { printf '\n%s\n' "$*" >&2; exit 1; }

# The versions that the packages take (package.json, "engines").
need_node() {
  local takes='^20.19, ^22.13 or 24.11 and newer'
  command -v node >/dev/null 2>&1 ||
    fail "Node.js is missing. Clever Drawer takes Node.js $takes; install it (Debian: apt-get install nodejs npm, or from the Node.js project) and try again."
  node -e '
    const [major, minor] = process.versions.node.split(".").map(Number);
    const isTaken = (major === 20 && minor >= 19) || (major === 22 && minor >= 13) || (major === 24 && minor >= 11) || major > 24;
    process.exit(isTaken ? 0 : 1);
  ' || fail "Node.js $(node --version) is not taken: Clever Drawer takes $takes."
  command -v npm >/dev/null 2>&1 || fail "npm is missing. It comes with Node.js (Debian: apt-get install npm)."
}

# Two set-ups at once take turns.
one_at_a_time() {
  # A checkout that can only be read is set up already, or is told what is missing.
  mkdir -p .cache 2>/dev/null && [ -w .cache ] || return 0
  exec 9> .cache/set-up.lock
  flock 9
}
set_up_done() {
  { true >&9; } 2>/dev/null || return 0
  flock -u 9
  exec 9>&-
}

# Debian makes and starts a cluster of the system's when PostgreSQL is installed (createcluster.conf of
# postgresql-common). We use one of our own, so where we are the ones who install it, none is made.
without_system_cluster() {
  local settings=/etc/postgresql-common/createcluster.d
  case " ${missing[*]} " in *" postgresql "*) ;; *) return 0 ;; esac
  [ -e /etc/postgresql-common/createcluster.conf ] && return 0
  "$@" mkdir -p "$settings"
  echo 'create_main_cluster = false' | "$@" tee "$settings/clever-drawer.conf" >/dev/null
}

# need_debs PACKAGE…: installs those of Debian's packages that are not there.
need_debs() {
  local missing=() package
  for package in "$@"; do
    dpkg-query -W -f '${db:Status-Status}\n' "$package" 2>/dev/null | grep -qx installed || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  command -v apt-get >/dev/null 2>&1 || fail "These Debian packages are missing, and this is no Debian machine: ${missing[*]}"
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    if command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null; then as=(sudo -n)
    else fail "These Debian packages are missing and only root can install them. Run this once, then try again:
  sudo apt-get update && sudo apt-get install --no-install-recommends ${missing[*]}"
    fi
  fi
  echo "Installing Debian packages: ${missing[*]}"
  without_system_cluster "${as[@]}"
  local install=("${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}")
  "${install[@]}" >/dev/null 2>&1 || { "${as[@]}" apt-get update -qq >/dev/null 2>&1 || true; "${install[@]}" >/dev/null; } ||
    fail "Installing failed. Is the network there? The packages are: ${missing[*]}"
}

# need_npm_packages [all]: npm packages exactly as locked, again only when the lock changed. Running needs
# some, tests and lint all.
need_npm_packages() {
  local wanted stamp=node_modules/.clever-drawer omit=--omit=dev
  wanted=$(cat package-lock.json package.json */package.json | sha256sum)
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$wanted" ] && return 0
  if [ "${1:-}" = all ]; then omit=--include=dev
  else [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$wanted to run" ] && return 0; wanted="$wanted to run"
  fi
  echo "Installing npm packages"
  npm ci "$omit" --no-audit --no-fund --no-update-notifier --loglevel=error >/dev/null || fail "npm ci failed. Is the network there, and may you write to $PWD?"
  printf '%s\n' "$wanted" > "$stamp"
}

# The pages, built again only when their sources changed.
need_pages() {
  local page=web/dist/index.html
  local last=dist/cli/main.mjs
  if [ ! -f "$page" ] || [ ! -f "$last" ] || [ -n "$(find web core/src cli/src server/src demo/src scripts package-lock.json -path web/dist -prune -o -path scripts/torture -prune -o -type f -not -name '*.test.ts*' -newer "$page" -print -quit)" ]; then
    echo "Building the pages and programs"
    npm run build --silent >/dev/null || fail "Building failed: run 'npm run build' to see why."
  fi
}
