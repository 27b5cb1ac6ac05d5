#!/usr/bin/env bash
# What the machine must have, and how it gets it. Sourced by ./fair-edge.

default_home() {
  # As root PostgreSQL runs as another user, who must be able to reach the data.
  if [ "$(id -u)" = 0 ]; then echo /var/lib/fair-edge; else echo "${XDG_DATA_HOME:-$HOME/.local/share}/fair-edge"; fi
}

# Lets the user that PostgreSQL runs as walk through a folder of ours.
open_for_postgres() {
  if [ "$(id -u)" = 0 ]; then chmod 755 "$1"; fi
}

# A JDK 25 or later: JAVA_HOME if it is one, else the newest in the usual folders.
find_java() {
  local candidate
  for candidate in "${JAVA_HOME:-}" /usr/lib/jvm/*25* /usr/lib/jvm/*2[6-9]* /opt/java/* /opt/jdk* \
    "$HOME"/.sdkman/candidates/java/current "$HOME"/.jdks/* /Library/Java/JavaVirtualMachines/*/Contents/Home; do
    if [ -n "$candidate" ] && is_jdk_25 "$candidate"; then
      JAVA_HOME=$candidate
      # Where Maven itself runs on it, no toolchain is chosen, and forked generators look on the PATH.
      PATH=$candidate/bin:$PATH
      export JAVA_HOME PATH
      return 0
    fi
  done
  echo "fair-edge: a JDK 25 is needed and none was found. Install one (Eclipse Temurin 25 for example)" >&2
  echo "           and name its folder in JAVA_HOME." >&2
  return 1
}

is_jdk_25() {
  local version
  [ -x "$1/bin/javac" ] || return 1
  # The file that says it is read in no time; asking the compiler takes longer than a small inspection.
  version=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$1/release" 2>/dev/null || true)
  [ -n "$version" ] || version=$("$1/bin/javac" -version 2>&1 | sed -n 's/^javac \([0-9]*\).*/\1/p')
  [ -n "$version" ] && [ "$version" -ge 25 ]
}

need_for_demo() {
  local missing=()
  command -v mvn >/dev/null 2>&1 || missing+=(maven)
  command -v node >/dev/null 2>&1 || missing+=(nodejs)
  command -v npm >/dev/null 2>&1 || missing+=(npm)
  postgres_bin >/dev/null || missing+=(postgresql)
  install_missing "${missing[@]}"
}

need_for_verify() {
  local missing=()
  command -v chromium >/dev/null 2>&1 || missing+=(chromium)
  command -v chromedriver >/dev/null 2>&1 || missing+=(chromium-driver)
  need_for_demo
  install_missing "${missing[@]}"
}

install_missing() {
  [ "$#" -gt 0 ] || return 0
  if [ "$(id -u)" != 0 ]; then
    echo "fair-edge: missing on this machine: $*" >&2
    echo "           Install it and call this again; on Debian: sudo apt-get install $*" >&2
    return 1
  fi
  if ! command -v apt-get >/dev/null 2>&1; then
    echo "fair-edge: missing on this machine, and there is no apt-get to install it with: $*" >&2
    return 1
  fi
  echo "fair-edge: installing $*"
  # No cluster of the distribution's own on the usual port: we start ours where we want it.
  mkdir -p /etc/postgresql-common
  if ! grep -qs '^create_main_cluster' /etc/postgresql-common/createcluster.conf; then
    echo 'create_main_cluster = false' >> /etc/postgresql-common/createcluster.conf
  fi
  export DEBIAN_FRONTEND=noninteractive
  apt-get update -qq
  apt-get install -y -qq --no-install-recommends -o Dpkg::Options::=--force-confold "$@" > /dev/null
}
