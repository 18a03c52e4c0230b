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

# What a screen reports of itself. What tells one unit from another is overwritten: serial numbers, free text, tile and
# container identities, whatever makers keep of their own, blocks that Tenant does not read. Checksums are moved by as
# much, so that a wrong one stays as wrong as it was.
screen() {
  rows "$1" | awk -v serials="$serials" "$BYTES"'
  function put(place, digits) {
    moved += at(place) - value(digits)
    byte[place] = digits
  }
  function clear(from, to,  n) { for (n = from; n < to; n++) put(n, "00") }
  function settle(place) {
    byte[place] = sprintf("%02x", (at(place) + moved % 256 + 256) % 256)
    moved = 0
  }
  # A base block, or a copy of it: number, serial text and other free text.
  function base(block,  d, n) {
    clear(block + 12, block + 16)
    for (d = block + 54; d < block + 126; d += 18)
      if (at(d) + at(d + 1) == 0 && (byte[d + 3] == "ff" || byte[d + 3] == "fe"))
        for (n = d + 5; n < d + 18; n++) put(n, "20")
  }
  # Blocks of consumer electronics: of the makers own only those of HDMI stay.
  function blocks(place, end,  next_, tag, name) {
    for (; place < end; place = next_) {
      next_ = place + 1 + at(place) % 32
      if (next_ > end) next_ = end
      tag = int(at(place) / 32)
      name = byte[place + 3] byte[place + 2] byte[place + 1]
      if (tag == 3 && name != "000c03" && name != "c45dd8") clear(place + 1, next_)
      if (tag == 7 && (byte[place + 1] == "01" || byte[place + 1] == "11")) clear(place + 2, next_)
    }
  }
  # A DisplayID section with a checksum of its own.
  function section(block,  place, end, next_, tag) {
    end = block + 5 + at(block + 2)
    if (end > block + 126) end = block + 126
    for (place = block + 5; place + 3 <= end; place = next_) {
      tag = byte[place]
      next_ = place + 3 + at(place + 2)
      if (tag == "00" && at(place + 2) == 0) break
      if (next_ > end) next_ = end
      if (tag == "00" || tag == "20") clear(place + 8, place + 12 < next_ ? place + 12 : next_)
      else if (tag == "12" || tag == "28") clear(place + 21 < next_ ? place + 21 : next_, next_)
      else if (tag == "81") blocks(place + 3, next_)
      else if (tag == "29" || tag == "7e" || tag == "7f" || tag == "0a" || tag == "0b") clear(place + 3, next_)
    }
    settle(end)
  }
  END {
    if (serials == "no" && count >= 128) {
      base(0)
      settle(127)
      for (block = 128; block + 128 <= count; block += 128) {
        if (byte[block] == "02") blocks(block + 4, block + (at(block + 2) < 127 ? at(block + 2) : 127))
        else if (byte[block] == "70") section(block)
        else if (byte[block] == "00" && byte[block + 1] == "ff") base(block)
        else if (byte[block] != "f0") clear(block + 1, block + 127)
        settle(block + 127)
      }
    }
    for (n = 0; n < count; n += 16) {
      line = ""
      for (k = n; k < n + 16 && k < count; k++) line = line " " byte[k]
      print line
    }
  }'
}

# Names of network ports may hold the address of the port: but for its end it is left out.
masked() {
  if [ "$serials" = yes ]; then cat; else
    sed -e 's/\([ew][nlw]x\)[0-9a-f]\{10\}\([0-9a-f][0-9a-f]\)/\1\2/g' \
      -e 's/"\(address\|permaddr\|phys_port_id\|phys_switch_id\|ifalias\)":"[^"]*"/"\1":""/g'
  fi
}

devices() {
  for device in /sys/bus/pci/devices/*; do
    [ -r "$device/config" ] || continue
    echo "${device##*/} Device"
    registers "$device/config"
    echo
  done
}

# What every link can do and came up at, and which slot leads to which bus: the system tells anybody.
links() {
  for device in /sys/bus/pci/devices/*; do
    [ -r "$device/max_link_speed" ] || continue
    echo "${device##*/} $(cat "$device/max_link_width") $(cat "$device/current_link_width")" \
      "$(cat "$device/max_link_speed") / $(cat "$device/current_link_speed")"
  done 2>/dev/null
  for slot in /sys/bus/pci/slots/*; do
    [ -r "$slot/address" ] && echo "slot ${slot##*/} $(cat "$slot/address")"
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
      links | part links
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
    ip -j link | masked | part ip-link.json
  fi
  for port in /sys/class/net/*; do
    [ -e "$port/device" ] || continue
    name=$(echo "${port##*/}" | masked)
    network_port "${port##*/}" | masked | part "ethtool-$name.txt"
  done
  echo '== end'
}

survey >"$out" || {
  echo "The survey could not be written to $out." >&2
  exit 1
}
echo "Written: $out"
