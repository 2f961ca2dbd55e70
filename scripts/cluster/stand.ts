import path from 'node:path'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import type { College } from '@/demo/college'
import { secretsOf } from '../database'
import { seed } from '../seed'
import { serve, type Served } from '../serve'
import { Cluster } from './nodes'

/** A cluster with the made-up college in it, and applications that serve it, each at another server first. */
export interface ClusterStand {
  cluster: Cluster
  made: College
  apps: Served[]
  /** Serves an application, at the port that it had where it had one. */
  serveApp: (index: number) => Promise<Served>
}

/** Starts three servers, fills them, and serves so many applications of a build. The first signs logs and shows backups, as the one that keeps the data does. */
export async function startStand(folder: string, built: string, apps: number): Promise<ClusterStand> {
  const cluster = await Cluster.start(folder)
  const owner = connectTo(cluster.urls().ownerUrl)
  await migrate(owner)
  await owner.close()
  const made = await seed(cluster.urls().ownerUrl)
  const ports: (number | undefined)[] = []
  const serveApp = async (index: number): Promise<Served> => {
    const port = ports[index]
    const served = await serve({
      folder: built,
      dbUrl: cluster.urls(index).appUrl,
      cookieKey: secretsOf(folder).cookie,
      log: path.join(folder, `app-${index + 1}.log`),
      record: path.join(folder, `app-${index + 1}.process`),
      ...(port === undefined ? {} : { port, exactly: true }),
      env: {
        MOZLE_DATA: folder,
        MOZLE_LOG: 'warn',
        ...(index === 0 ? { MOZLE_KEYS: path.join(folder, 'keys') } : { MOZLE_APP_ONLY: '1' }),
      },
    })
    ports[index] = Number(new URL(served.address).port)
    return served
  }
  const served: Served[] = []
  for (let index = 0; index < apps; index++) served.push(await serveApp(index))
  return { cluster, made, apps: served, serveApp }
}
