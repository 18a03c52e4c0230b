#!/bin/sh
# Tenant survey script: writes what this machine says of itself into one file, to be dropped into Tenant.
#
#   sudo sh survey.sh [--serials] [FILE]
#
# It only reads; the one thing it writes is FILE, and never over a file that is there. What it cannot read it says,
# with the reason. Serial numbers and network addresses are left out unless --serials is given.
# Needs a POSIX shell, sed, awk, and od or hexdump; everything else is used where it is there.

LC_ALL=C
export LC_ALL

serials=no
out=
for word in "$@"; do
  case $word in
  --serials) serials=yes ;;
  -*)
    echo "Usage: sudo sh survey.sh [--serials] [FILE]" >&2
    exit 2
    ;;
  *) out=$word ;;
  esac
done
[ -n "$out" ] || out=tenant-survey-$(date +%Y%m%d-%H%M%S).txt
if [ -e "$out" ]; then
  echo "$out is there already; name another file." >&2
  exit 2
fi

have() { command -v "$1" >/dev/null 2>&1; }

# What could not be read goes into the file and onto the screen.
not_read() {
  echo "!! $1: $2"
  echo "not read: $1 ($2)" >&2
}

# A file of the survey: its name, then its lines from standard input, each behind a blank.
part() {
  echo "== $1"
  sed 's/^/ /'
}

# Bytes of a file in hexadecimal, sixteen a row.
rows() {
  if have od; then
    od -An -v -tx1 "$1" 2>/dev/null
  else
    hexdump -v -e '16/1 " %02x" "\n"' "$1" 2>/dev/null
  fi
}

# Functions that every awk program below shares: bytes come in as rows of hexadecimal and go out as such.
BYTES='
function value(digits,  n) {
  n = index("0123456789abcdef", substr(digits, 1, 1)) - 1
  return n * 16 + index("0123456789abcdef", substr(digits, 2, 1)) - 1
}
function at(n) { return value(byte[n]) }
function print_rows(from, to,  n, row) {
  for (n = from; n < to; n += 16) {
    row = sprintf("%02x:", n)
    for (k = n; k < n + 16 && k < to; k++) row = row " " byte[k]
    print row
  }
}
{ for (n = 1; n <= NF; n++) byte[count++] = tolower($n) }
'

# Registers of one device. The serial number is the eight bytes of extended capability 3.
registers() {
  rows "$1" | awk -v serials="$serials" "$BYTES"'
  END {
    if (serials == "no" && count > 256) {
      place = 256
      while (place >= 256 && place + 12 <= count && !(place in seen)) {
        seen[place] = 1
        if (at(place) + at(place + 1) * 256 == 3) for (n = 4; n < 12; n++) byte[place + n] = "00"
        place = int((at(place + 2) + at(place + 3) * 256) / 16)
        place = place - place % 4
      }
    }
    print_rows(0, count)
  }'
}

# The firmware table, without the structures that Tenant does not ask for. Serial numbers, asset tags and the
# unique identity of the machine are overwritten.
firmware() {
  rows "$1" | awk -v serials="$serials" "$BYTES"'
  function blank(start, length_, field,  which, place) {
    if (field >= length_) return
    which = at(start + field)
    place = start + length_
    while (which > 1 && byte[place] != "00" && place < count) {
      while (byte[place] != "00" && place < count) place++
      place++
      which--
    }
    if (which == 1) for (; byte[place] != "00" && place < count; place++) byte[place] = "2d"
  }
  END {
    wanted = " 0 1 2 3 9 41 127 "
    for (start = 0; start + 4 <= count; start = next_) {
      type = at(start)
      length_ = at(start + 1)
      if (length_ < 4) break
      next_ = start + length_
      while (next_ + 1 < count && (byte[next_] != "00" || byte[next_ + 1] != "00")) next_++
      next_ += 2
      if (serials == "no") {
        if (type >= 1 && type <= 3) blank(start, length_, 7)
        if (type == 2 || type == 3) blank(start, length_, 8)
        if (type == 1) for (n = 8; n < 24 && n < length_; n++) byte[start + n] = "00"
      }
      if (index(wanted, " " type " ")) {
        line = ""
        for (n = start; n < next_ && n < count; n++) line = line " " byte[n]
        print line
      }
      if (type == 127) break
    }
  }'
}

# What a screen reports of itself. Serial numbers are overwritten, and the checksum is moved by as much, so that
# a wrong one stays as wrong as it was.
screen() {
  rows "$1" | awk -v serials="$serials" "$BYTES"'
  function put(place, digits) {
    moved += at(place) - value(digits)
    byte[place] = digits
  }
  END {
    if (serials == "no" && count >= 128) {
      for (n = 12; n < 16; n++) put(n, "00")
      for (d = 54; d < 126; d += 18)
        if (at(d) + at(d + 1) == 0 && byte[d + 3] == "ff") for (n = d + 5; n < d + 18; n++) put(n, "20")
      byte[127] = sprintf("%02x", (at(127) + moved % 256 + 256) % 256)
    }
    for (n = 0; n < count; n += 16) {
      line = ""
      for (k = n; k < n + 16 && k < count; k++) line = line " " byte[k]
      print line
    }
  }'
}

devices() {
  for device in /sys/bus/pci/devices/*; do
    [ -r "$device/config" ] || continue
    echo "${device##*/} Device"
    registers "$device/config"
    echo
  done
}

drivers() {
  for device in /sys/bus/pci/devices/*; do
    [ -e "$device/driver" ] || continue
    driver=$(readlink "$device/driver") && echo "${device##*/} ${driver##*/}"
  done
}

# Names of drivers for the makers of this machine's devices, and those that go by class.
aliases() {
  makers=$(for device in /sys/bus/pci/devices/*; do
    read -r maker <"$device/vendor" && echo "${maker#0x}"
  done | tr 'a-f' 'A-F' | sort -u | sed 's/^/v0000/')
  grep '^alias pci:' "$1" | awk -v makers="$makers" '
  BEGIN { n = split(makers, list, "\n"); for (k = 1; k <= n; k++) known[list[k]] = 1 }
  { maker = substr($2, 5, 9); if (maker in known || substr(maker, 2, 1) == "*") print }'
}

network_port() {
  port=$1
  if have ethtool; then
    ethtool "$port" 2>/dev/null
    return
  fi
  echo "Settings for $port:"
  speed=$(cat "/sys/class/net/$port/speed" 2>/dev/null)
  [ "${speed:--1}" -gt 0 ] 2>/dev/null && echo "	Speed: ${speed}Mb/s"
  case $(cat "/sys/class/net/$port/carrier" 2>/dev/null) in
  1) echo "	Link detected: yes" ;;
  0) echo "	Link detected: no" ;;
  esac
}

facts() {
  if [ -d /sys/firmware/efi ]; then
    echo uefi=yes
    for variable in /sys/firmware/efi/efivars/SecureBoot-*; do
      [ -r "$variable" ] || continue
      case $(rows "$variable") in
      *01) echo secure-boot=yes ;;
      *00) echo secure-boot=no ;;
      esac
    done
  else
    echo uefi=no
  fi
  if grep -Eq 'boot=(live|casper)|rd\.live' /proc/cmdline 2>/dev/null ||
    grep -q '^[^ ]* / overlay ' /proc/mounts 2>/dev/null; then
    echo live=yes
  fi
}

survey() {
  echo 'tenant-survey 1'
  root=no
  [ "$(id -u)" = 0 ] && root=yes

  facts | part system-facts
  uname -srm | part uname
  if [ -r /etc/os-release ]; then part os-release </etc/os-release; else not_read os-release 'no such file'; fi

  if ! have od && ! have hexdump; then
    not_read 'registers, firmware and screens' 'neither od nor hexdump is on this system'
  else
    if [ -d /sys/bus/pci/devices ]; then
      devices | part registers.txt
      [ $root = yes ] || not_read 'registers beyond the first 64 bytes' 'not root'
    else
      not_read registers 'no PCI devices under /sys'
    fi
    table=/sys/firmware/dmi/tables/DMI
    if [ -r $table ]; then
      firmware $table | part DMI.hex
    elif [ -e $table ]; then
      not_read 'firmware records' 'not root'
    else
      not_read 'firmware records' 'this system offers none'
    fi
    for edid in /sys/class/drm/*/edid; do
      [ -r "$edid" ] && [ -n "$(rows "$edid")" ] || continue
      connector=${edid%/edid}
      screen "$edid" | part "edid-${connector##*/}.hex"
    done
  fi

  drivers | part loaded-drivers
  list=/lib/modules/$(uname -r)/modules.alias
  if [ -r "$list" ]; then aliases "$list" | part modules.alias; else not_read 'drivers the system has' "no $list"; fi
  if have lspci; then lspci -D -nnk 2>/dev/null | part lspci.txt; else not_read 'names of devices' 'lspci is not on this system'; fi

  if have ip && ip -j link >/dev/null 2>&1; then
    if [ $serials = yes ]; then ip -j link; else
      ip -j link | sed -e 's/"address":"[^"]*"/"address":""/g' -e 's/"permaddr":"[^"]*"/"permaddr":""/g'
    fi | part ip-link.json
  fi
  for port in /sys/class/net/*; do
    [ -e "$port/device" ] || continue
    network_port "${port##*/}" | part "ethtool-${port##*/}.txt"
  done
  echo '== end'
}

survey >"$out" || {
  echo "The survey could not be written to $out." >&2
  exit 1
}
echo "Written: $out"
