import path from 'node:path'
import standaloneCode from 'ajv/dist/standalone'
import { build, type Plugin } from 'esbuild'
import { planAjv, validatePlan } from '@/core/format/validatePlan'
import { apartPrograms } from '@/server/apart/programs'
import { home } from './home'

/** The check of a plan file as it was compiled once: compiling it takes longer than what is asked of most commands. */
const compiledCheck: Plugin = {
  name: 'compiled check of a plan file',
  setup: (bundler) =>
    bundler.onLoad({ filter: /\/core\/format\/validatePlan\.ts$/ }, () => ({
      contents: `${standaloneCode(planAjv, validatePlan)}\nexport { validate as validatePlan }`,
      resolveDir: home,
    })),
}

/**
 * Makes programs of this project quick to start: each becomes a file of its own with what it shares with the others beside it, where the loader of its language takes seconds for as many modules. Packages
 * stay outside.
 * @param programs their sources, from the project’s folder; each file is called as its source
 * @param folder where they go, from the project’s folder
 */
export async function bundle(programs: readonly string[], folder: string): Promise<void> {
  await build({
    absWorkingDir: home,
    entryPoints: Object.fromEntries(programs.map((source) => [path.basename(source, '.ts'), source])),
    outdir: path.join(home, folder),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    plugins: [compiledCheck],
    splitting: true,
    chunkNames: 'part-[hash]',
    platform: 'node',
    format: 'esm',
    minifyWhitespace: true,
    minifySyntax: true,
    target: 'node20',
    packages: 'external',
    tsconfig: path.join(home, 'tsconfig.json'),
    logLevel: 'error',
    // Some packages ask for others in the older way.
    banner: { js: "import { createRequire as mozleRequire } from 'node:module'; const require = mozleRequire(import.meta.url);" },
  })
}

/** The programs that the application runs apart, beside the built application. */
export const bundleApart = (folder: string): Promise<void> => bundle(Object.values(apartPrograms), path.join(folder, 'apart'))
