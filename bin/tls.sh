# The shop's own authority and the server's certificate by it, made with openssl and kept. Sourced after lib.sh.

# own_names: every name and address this machine can be reached by on the shop's network, one a line, addresses first.
own_names() {
  node -e '
    const os = require("os"), host = os.hostname().toLowerCase().split(".")[0];
    const addresses = Object.values(os.networkInterfaces()).flat().filter((a) => a.family === "IPv4" && !a.internal).map((a) => a.address);
    for (const name of [...addresses, "127.0.0.1", host, host + ".local", "localhost", ...(process.env.PYRETHOS_HOSTS || "").split(",").map((h) => h.trim()).filter(Boolean)]) console.log(name);' | awk '!seen[$0]++'
}

is_address() { case $1 in *[!0-9.]*) return 1 ;; *) return 0 ;; esac; }

# tls_begin FOLDER: an authority that is good for this shop's names alone, and a certificate by it that is good for a
# year; renewed where names changed or a month is left. Leaves authority.crt, server.crt and server.key there.
tls_begin() {
  local folder=$1 names permitted='' sans='' name
  need_package openssl
  mkdir -p "$folder"
  chmod 700 "$folder"
  names=$(own_names)
  if [ ! -f "$folder/authority.crt" ]; then
    say "making the shop's own authority"
    for name in $names; do
      if is_address "$name"; then permitted="$permitted,permitted;IP:$name/255.255.255.255"; else permitted="$permitted,permitted;DNS:$name"; fi
    done
    # Private networks and loopback: whoever stole its key could be no other place.
    permitted="permitted;DNS:local$permitted,permitted;IP:10.0.0.0/255.0.0.0,permitted;IP:172.16.0.0/255.240.0.0,permitted;IP:192.168.0.0/255.255.0.0,permitted;IP:169.254.0.0/255.255.0.0,permitted;IP:127.0.0.0/255.0.0.0"
    openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:P-256 -nodes -days 3650 -subj "/CN=Pyrethos of this workshop" \
      -addext "basicConstraints=critical,CA:TRUE,pathlen:0" -addext "keyUsage=critical,keyCertSign,cRLSign" \
      -addext "nameConstraints=critical,$permitted" \
      -keyout "$folder/authority.key" -out "$folder/authority.crt" 2>/dev/null || die "openssl could not make an authority"
    chmod 600 "$folder/authority.key"
  fi
  if [ -f "$folder/server.crt" ] && [ "$(cat "$folder/names" 2>/dev/null)" = "$names" ] &&
    openssl x509 -in "$folder/server.crt" -checkend $((30 * 86400)) >/dev/null; then return; fi
  for name in $names; do
    if is_address "$name"; then sans="$sans,IP:$name"; else sans="$sans,DNS:$name"; fi
  done
  openssl req -new -newkey ec -pkeyopt ec_paramgen_curve:P-256 -nodes -subj "/CN=Pyrethos" -keyout "$folder/server.key" -out "$folder/server.csr" 2>/dev/null
  chmod 600 "$folder/server.key"
  printf 'basicConstraints=critical,CA:FALSE\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nsubjectAltName=%s\n' "${sans#,}" >"$folder/server.ext"
  openssl x509 -req -in "$folder/server.csr" -CA "$folder/authority.crt" -CAkey "$folder/authority.key" -CAcreateserial -days 365 -sha256 \
    -extfile "$folder/server.ext" -out "$folder/server.crt" 2>/dev/null || die "openssl could not make a certificate"
  rm -f "$folder/server.csr" "$folder/server.ext"
  # This machine goes by a name that the authority was not made for: another authority, which every device is to load.
  if ! openssl verify -CAfile "$folder/authority.crt" "$folder/server.crt" >/dev/null 2>&1; then
    [ -z "${2:-}" ] || die "openssl could not make a certificate that holds"
    say "this machine has another name now: devices are to load the authority anew"
    rm -f "$folder/authority.crt" "$folder/authority.key"
    tls_begin "$folder" again
    return
  fi
  printf '%s\n' "$names" >"$folder/names"
}

fingerprint() { openssl x509 -in "$1" -noout -fingerprint -sha256 | cut -d= -f2; }
