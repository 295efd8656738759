# Opens the app to the network of the shop: only by name or address of this machine, and only over TLS.
# shellcheck shell=bash

# Certificates of own authorities are taken for as long as this by phones, and no longer; ours are renewed a month before they end.
CERTIFICATE_DAYS=397
AUTHORITY_DAYS=3650

# network_names: what this machine is called, one a line.
network_names() {
    {
        printf '%s\n' ${SITZPLATZ_NAME:-}
        case $BIND in 0.0.0.0 | '*') hostname -I 2> /dev/null | tr ' ' '\n' | grep -v : ;; *) printf '%s\n' "$BIND" ;; esac
        hostname
        printf '%s.local\n' "$(hostname)"
        printf 'localhost\n127.0.0.1\n'
    } | grep -E '^[A-Za-z0-9.-]+$' | awk '!seen[$0]++'
}

# own_authority: made once, its key read by whoever starts the app and nobody else.
own_authority() {
    [ ! -f "$TLS/authority.pem" ] || return 0
    say "Making a certificate authority for this shop"
    openssl ecparam -name prime256v1 -genkey -noout -out "$TLS/authority.key"
    openssl req -x509 -new -sha256 -key "$TLS/authority.key" -days $AUTHORITY_DAYS -subj "/CN=Sitzplatz of $(hostname)" \
        -addext 'basicConstraints=critical,CA:TRUE,pathlen:0' -addext 'keyUsage=critical,keyCertSign,cRLSign' -out "$TLS/authority.pem"
}

# own_certificate NAME...: of this machine, made anew if it ends soon or the names are others.
own_certificate() {
    local names
    names=$(for each in "$@"; do case $each in *[!0-9.]*) echo "DNS:$each" ;; *) echo "IP:$each" ;; esac; done | paste -sd, -)
    if [ -f "$TLS/server.pem" ] && [ "$(cat "$TLS/server.names" 2> /dev/null)" = "$names" ] && openssl x509 -in "$TLS/server.pem" -noout -checkend $((30 * 86400)) > /dev/null; then return 0; fi
    openssl ecparam -name prime256v1 -genkey -noout -out "$TLS/server.key"
    openssl req -new -sha256 -key "$TLS/server.key" -subj "/CN=$1" -out "$TLS/server.csr"
    openssl x509 -req -sha256 -in "$TLS/server.csr" -CA "$TLS/authority.pem" -CAkey "$TLS/authority.key" -set_serial "0x$(openssl rand -hex 16)" -days $CERTIFICATE_DAYS \
        -extfile <(printf 'basicConstraints=critical,CA:FALSE\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nsubjectAltName=%s\n' "$names") -out "$TLS/server.leaf" 2> /dev/null
    cat "$TLS/server.leaf" "$TLS/authority.pem" > "$TLS/server.pem"
    rm -f "$TLS/server.csr" "$TLS/server.leaf"
    printf '%s' "$names" > "$TLS/server.names"
}

# open_network: sets what the web server listens on beside this machine, and what the app says of it.
open_network() {
    BIND=${SITZPLATZ_BIND:-$(sed -n 's/^SITZPLATZ_BIND=//p' "$VAR/app.env" 2> /dev/null)}
    NETWORK_PORT=${SITZPLATZ_TLS_PORT:-$(setting SITZPLATZ_TLS_PORT 8443)}
    TLS=$VAR/tls
    NETWORK_NAMES=()
    local patterns='^127\.0\.0\.1$,^localhost$' each
    case $BIND in '' | none | 127.0.0.1 | localhost)
        BIND=
        rm -f "$RUN/authority.pem"
        for each in SITZPLATZ_BIND SITZPLATZ_ADDRESS SITZPLATZ_FINGERPRINT; do sed -i "/^$each=/d" "$VAR/app.env"; done
        set_setting SITZPLATZ_HOSTS "$patterns"
        return 0
        ;;
    esac
    printf '%s' "$BIND" | grep -Eq '^([0-9]{1,3}(\.[0-9]{1,3}){3}|\*)$' || fail "SITZPLATZ_BIND has to be an address of this machine such as 192.168.1.20, or 0.0.0.0 for all of them, not $BIND."
    command -v openssl > /dev/null || apt_install openssl
    mkdir -p "$TLS"
    chmod 700 "$TLS"
    mapfile -t NETWORK_NAMES < <(network_names)
    if [ -n "${SITZPLATZ_TLS_CERT:-}" ]; then
        [ -r "$SITZPLATZ_TLS_CERT" ] && [ -r "${SITZPLATZ_TLS_KEY:-}" ] || fail "SITZPLATZ_TLS_CERT and SITZPLATZ_TLS_KEY have to name a certificate and its key that can be read."
        [ "$(openssl x509 -in "$SITZPLATZ_TLS_CERT" -noout -pubkey)" = "$(openssl pkey -in "$SITZPLATZ_TLS_KEY" -pubout)" ] || fail "The key in SITZPLATZ_TLS_KEY is not that of the certificate."
        cp "$SITZPLATZ_TLS_CERT" "$TLS/server.pem"
        cp "$SITZPLATZ_TLS_KEY" "$TLS/server.key"
        rm -f "$TLS/authority.pem" "$TLS/authority.key" "$TLS/server.names"
    elif [ ! -f "$TLS/server.pem" ] || [ -f "$TLS/authority.pem" ]; then
        own_authority
        own_certificate "${NETWORK_NAMES[@]}"
    fi
    chmod 600 "$TLS"/*.key
    if [ -f "$TLS/authority.pem" ]; then
        set_setting SITZPLATZ_FINGERPRINT "$(openssl x509 -in "$TLS/authority.pem" -noout -fingerprint -sha256 | sed 's/.*=//')"
        # The certificate is for everybody to take; its key stays behind the door.
        install -m 644 "$TLS/authority.pem" "$RUN/authority.pem"
    else
        sed -i '/^SITZPLATZ_FINGERPRINT=/d' "$VAR/app.env"
        rm -f "$RUN/authority.pem"
    fi
    for each in "${NETWORK_NAMES[@]}"; do patterns=$patterns,^${each//./\\.}\$; done
    set_setting SITZPLATZ_HOSTS "$patterns"
    set_setting SITZPLATZ_BIND "$BIND"
    set_setting SITZPLATZ_TLS_PORT "$NETWORK_PORT"
    set_setting SITZPLATZ_ADDRESS "https://${NETWORK_NAMES[0]}:$NETWORK_PORT"
}

# network_servers: for the settings of the web server.
network_servers() {
    [ -n "$BIND" ] || return 0
    local listen=$BIND:$NETWORK_PORT
    [ "$BIND" != '*' ] || listen=0.0.0.0:$NETWORK_PORT
    cat <<CONF
    ssl_protocols TLSv1.2 TLSv1.3;
    # With forward secrecy and authenticated encryption of full length alone (RFC 9325, as remembered).
    ssl_ciphers ECDHE+AESGCM:ECDHE+CHACHA20;
    ssl_session_cache shared:tls:1m;
    ssl_session_tickets off;
    ssl_certificate $TLS/server.pem;
    ssl_certificate_key $TLS/server.key;
    server {
        listen $listen ssl default_server;
        server_name _;
        include $RUN/plain.conf;
        include $RUN/problem.conf;
        location / { types { } default_type application/problem+json; return 421 '{"type":"about:blank","title":"Not this address","status":421,"detail":"Open the app at https://${NETWORK_NAMES[0]}:$NETWORK_PORT/.","errors":[]}'; }
    }
    server {
        listen $listen ssl;
        server_name ${NETWORK_NAMES[*]};
        # What comes from here may not do what is for the machine itself alone.
        set \$from_network 1;
        location = /trust/authority.pem { include $RUN/plain.conf; alias $RUN/authority.pem; types { } default_type application/x-x509-ca-cert; }
        include $RUN/app.conf;
    }
CONF
}
