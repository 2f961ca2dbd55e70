import { mkdirSync, rmSync } from 'node:fs'
import path from 'node:path'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { home } from '../home'
import { keepRunning } from '../keepRunning'
import { takeLock } from '../lock'
import { endLeftOver } from '../process'
import { startStand } from './stand'

/** `mozle cluster-demo`: three servers of the database and two applications on this machine, until it is stopped. It begins anew each time. */
export async function clusterDemo(): Promise<void> {
  const lock = takeLock('cluster-demo')
  if ('heldBy' in lock) {
    console.error(`The demo of a cluster runs already (process ${lock.heldBy}).`)
    process.exitCode = 1
    return
  }
  stopAllOnSignals()
  process.once('exit', () => lock.release())
  const folder = path.join(home, '.mozle', 'cluster-demo')
  try {
    for (const name of ['node-1/database', 'node-2/database', 'node-3/database', 'app-1', 'app-2'])
      if (await endLeftOver(path.join(folder, `${name}.process`)))
        console.error('mozle: ended what an earlier command had left running')
    rmSync(folder, { recursive: true, force: true })
    mkdirSync(folder, { recursive: true })
    const built = await build('demo')
    const { cluster, made, apps, serveApp } = await startStand(folder, built, 2)
    for (const [index, place] of cluster.places.entries())
      keepRunning(place.name, cluster.processOf(index), () => cluster.startNode(index))
    for (const [index, { process: child }] of apps.entries())
      keepRunning(`application ${index + 1}`, child, async () => (await serveApp(index)).process)
    console.log(
      [
        ...apps.map(({ address, process: child }, index) => `Application ${index + 1}: ${address}   (process ${child.pid})`),
        ...cluster.places.map(
          ({ name, port }, index) => `Database ${name}: 127.0.0.1:${port}   (process ${cluster.processOf(index).pid})`,
        ),
        '',
        'Demo sign-ins, all invented; one sign-in is good at both applications:',
        ...made.people.map(({ role, signIn, password }) => `  ${role.padEnd(13)} ${signIn.padEnd(10)} ${password}`),
        '',
        'Take one away with kill -9 and its process: the others go on within a few seconds, and it is started again.',
        '',
        `Ctrl-C, or kill ${process.pid}, stops all of it. It begins anew at the next start.`,
      ].join('\n'),
    )
    // Until a signal ends it.
    await new Promise(() => setInterval(() => undefined, 2 ** 30))
  } catch (error) {
    console.error((error as Error).message)
    process.exitCode = 1
  } finally {
    await stopAll()
  }
}
