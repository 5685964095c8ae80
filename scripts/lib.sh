# Shared by the scripts: what must be installed, and how it is built.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

PACKAGES=(g++ cmake ninja-build ccache qt6-base-dev qt6-svg-dev qt6-multimedia-dev qt6-serialport-dev qt6-tools-dev qt6-l10n-tools qt6-translations-l10n python3 libgl1-mesa-dev libqcustomplot-dev libqcustomplot2.1-qt6
  libsqlitecpp-dev libsqlite3-dev nlohmann-json3-dev libvalijson-dev libfmt-dev libcli11-dev libexpected-dev libboost-dev libeigen3-dev libsundials-dev libxlsxwriter-dev libmodbus-dev libexif-dev pkg-config)
TEST_PACKAGES=(libgtest-dev libgmock-dev librapidcheck-dev libbenchmark-dev xvfb xauth poppler-utils desktop-file-utils shared-mime-info libglib2.0-bin python3-openpyxl)

say() { printf '== %s\n' "$*"; }

# Installs those of the named packages that are missing.
install_missing() {
  local missing=() package
  for package in "$@"; do
    [[ $(dpkg-query -W -f='${Status}' "$package" 2>/dev/null) == "install ok installed" ]] || missing+=("$package")
  done
  if ((${#missing[@]})); then
    local sudo=""
    [[ $(id -u) == 0 ]] || sudo=sudo
    say "installing ${missing[*]}"
    $sudo apt-get update -qq
    DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
  fi
}

# Configures (once) and builds a preset.
build() {
  say "building ($1)"
  [[ -f build/$1/build.ninja ]] || cmake --preset "$1" >/dev/null
  cmake --build "build/$1" "${@:2}" -- --quiet
}
