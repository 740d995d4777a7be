# Shared by the scripts in this folder. Source it.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export CCACHE_DIR="${CCACHE_DIR:-$HOME/.cache/ccache}"

# build PRESET [TARGET...]: configures once, builds.
build() {
  local preset=$1
  shift
  [ -f "build/$preset/build.ninja" ] || cmake --preset "$preset" >/dev/null
  cmake --build "build/$preset" ${1:+--target "$@"}
}
