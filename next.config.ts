import type { NextConfig } from 'next'

const config: NextConfig = {
  // The demo and the tests build into folders of their own, so that both can run side by side.
  distDir: process.env.MOZLE_DIST ?? '.mozle/next-demo',
  poweredByHeader: false,
  reactStrictMode: true,
  // These load native or dynamic parts and must not be bundled.
  serverExternalPackages: ['sequelize', 'mariadb', '@node-rs/argon2', 'openchemlib', 'ajv'],
  // Loading every page before the first is answered takes half of a start; each is loaded when it is first asked for.
  experimental: { preloadEntriesOnStart: false },
  // Types are checked by `./mozle test`, once, over everything.
  typescript: { ignoreBuildErrors: true },
  sassOptions: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
}

export default config
