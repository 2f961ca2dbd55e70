import path from 'node:path'
import { build } from 'esbuild'
import { apartPrograms } from '@/server/apart/programs'
import { home } from './home'

/**
 * Makes one file of each program that is run apart, beside the built application: it starts in a fraction of a second, where the loader of its language takes several on a busy machine. Packages stay outside.
 */
export async function bundleApart(folder: string): Promise<void> {
  await build({
    absWorkingDir: home,
    entryPoints: Object.fromEntries(Object.entries(apartPrograms).map(([name, script]) => [name, script])),
    outdir: path.join(home, folder, 'apart'),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    tsconfig: path.join(home, 'tsconfig.json'),
    logLevel: 'error',
    // Some packages ask for others in the older way.
    banner: { js: "import { createRequire as mozleRequire } from 'node:module'; const require = mozleRequire(import.meta.url);" },
  })
}
