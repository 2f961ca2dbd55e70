# Untried: nobody has built or run this yet. The tried way is ./mozle install on Debian (docs/operations.md).
FROM docker.io/library/node:20-bookworm-slim
RUN apt-get update \
 && apt-get install -y --no-install-recommends mariadb-server-core mariadb-client-core mariadb-client \
 && rm -rf /var/lib/apt/lists/* \
 && useradd --system --create-home --home-dir /var/lib/mozle mozle
WORKDIR /opt/mozle
COPY --chown=mozle:mozle . .
USER mozle
# Installs the packages of the lock file and builds the application, so that a start finds both.
RUN ./mozle doctor || true
RUN MOZLE_HOME=/opt/mozle TSX_TSCONFIG_PATH=tsconfig.json node --import ./node_modules/tsx/dist/esm/index.mjs \
      -e "import('/opt/mozle/scripts/build.ts').then(({ build }) => build('service'))"
ENV MOZLE_DATA=/var/lib/mozle/data MOZLE_ADDRESS=0.0.0.0
# MOZLE_PUBLIC must be given, with MOZLE_PROXY or a certificate.
VOLUME /var/lib/mozle
EXPOSE 4300
CMD ["./mozle", "start"]
