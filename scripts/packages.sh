# Debian packages that are needed, and how they get here.
WORKER_PACKAGES="libturbojpeg0 liblcms2-2 libheif1 libtiff6 libwebp7 libdeflate0 zlib1g fonts-wqy-microhei"
RUN_PACKAGES="postgresql $WORKER_PACKAGES"
TEST_PACKAGES="$RUN_PACKAGES chromium chromium-driver python3-pil libimage-exiftool-perl liblcms2-utils netpbm libjpeg-turbo-progs libtiff-tools libheif-examples poppler-utils qpdf colord-data icc-profiles-free plasma-workspace-wallpapers ukui-wallpapers"
BENCH_PACKAGES="$RUN_PACKAGES python3-pil python3-skimage python3-onnx python3-opencv libheif-examples plasma-workspace-wallpapers ukui-wallpapers"
TRAIN_PACKAGES="$RUN_PACKAGES lomiri-wallpapers-16.04 lomiri-wallpapers-20.04 mate-backgrounds plasma-workspace-wallpapers ukui-wallpapers"

# need_packages worker|run|test|bench|train: installs what is missing, or says what is.
need_packages() {
  local wanted missing="" package
  case "$1" in
    worker) wanted=$WORKER_PACKAGES ;;
    run) wanted=$RUN_PACKAGES ;;
    test) wanted=$TEST_PACKAGES ;;
    bench) wanted=$BENCH_PACKAGES ;;
    train) wanted=$TRAIN_PACKAGES ;;
  esac
  for package in $wanted; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing="$missing $package"
  done
  [ -z "$missing" ] && return
  if [ "$(id -u)" -ne 0 ]; then
    fail "these Debian packages are missing:$missing
  Install them once as root: apt-get install$missing"
  fi
  say "installing$missing"
  # The packages would otherwise make and start a database cluster of their own.
  mkdir -p /etc/postgresql-common
  if [ ! -f /etc/postgresql-common/createcluster.conf ]; then
    echo 'create_main_cluster = false' >/etc/postgresql-common/createcluster.conf
  fi
  apt-get update -qq || say "the package lists could not be renewed; trying with those at hand"
  # shellcheck disable=SC2086
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends \
    -o Dpkg::Options::=--force-confold $missing >"${TMPDIR:-/tmp}/embrick-packages.log" 2>&1 \
    || fail "installing failed; see ${TMPDIR:-/tmp}/embrick-packages.log"
}
