#!/usr/bin/env bash
# What programs of this machine carry, such as the simulated lights, so that the server knows them where people have accounts. Sourced by start.

[ -s "$DATA/local-key" ] || (umask 077; node -e 'process.stdout.write(require("crypto").randomBytes(32).toString("base64url"))' >"$DATA/local-key")
ZM_LOCAL_KEY=${ZM_LOCAL_KEY:-$(cat "$DATA/local-key")}
export ZM_LOCAL_KEY
