import { leave } from './outcome'

const usage = `usage: ./mozle COMMAND

  demo [--fresh] [--port N]   install what is missing, start, seed the made-up college, serve on 127.0.0.1
  cluster-demo                three servers of the database and two applications on this machine
  start [--config FILE]       the service of a college (docs/operations.md)
  start --app-only            a further application at the database of another
  install                     sets it up on Debian, with a unit of systemd
  doctor                      looks at everything it needs, and says what is wrong
  certificate NAME...         for a laboratory’s network without a public name
  backup [--to DIR]           a backup of it, also while it runs
  restore FILE                a backup into an empty place
  verify [FILE]               whether a backup or an archive is whole, or the logs of the service are as they were written
  test [core|database|browser|FILE]   check and test everything, or a part of it
  test dates [PART [N]]       a part of the tests (database) on each weekday, at ends of months and years, when clocks change
  test all                    the same, a cluster, and many tablets at once
  calc PLAN [--log ENTRIES]   compute plan files (each with a run's entries) and print JSON
  calc --cases                hand-worked and published cases, with how far each is off
  read FILE ...               what procedures in .txt, .md, .html, .docx or .pdf say, as JSON
  import FILE [--into DIR]    read an archived session back: checksums, and the figures worked out anew
  bench                       print speed figures
  bench load                  how fast entries go through while up to 200 benches write
  mutate [PATH [N]]           change every decision of the core, one at a time: which changes does no test notice?
  load                        many tablets at once: how soon an entry is seen, and what is given back
  load held                   for how long each page and route holds all others up, over a class as large as any
`

const [command, ...args] = process.argv.slice(2)

// The heavier commands are loaded only when asked for; calc and read are started by mozle itself (quick.ts).
switch (command) {
  case 'demo':
    await (await import('./demo')).demo(args)
    break
  case 'cluster-demo':
    await (await import('./cluster/demo')).clusterDemo()
    break
  case 'test':
    if (args[0] === 'dates') await (await import('./dates')).dates(args[1], Number(args[2] ?? 1))
    else await (await import('./test')).test(args)
    // Its result is printed; nothing that is still open may keep it.
    process.exit()
    break
  case 'start':
    await (await import('./service/start')).start(args)
    break
  case 'install':
    leave(await (await import('./service/install')).install(args))
    break
  case 'doctor':
    leave(await (await import('./service/doctor')).doctor(args))
    break
  case 'certificate':
    leave((await import('./service/certificate')).certificate(args))
    break
  case 'backup':
    leave(await (await import('./service/commands')).backup(args))
    break
  case 'restore':
    leave(await (await import('./service/commands')).restoreFile(args))
    break
  case 'verify':
    leave(await (await import('./service/commands')).verify(args))
    break
  case 'import':
    leave((await import('./importArchive')).importArchive(args))
    break
  case 'mutate':
    await (await import('./mutate')).mutate(args[0], Number(args[1] ?? 1))
    break
  case 'load': {
    const missed = args[0] === 'held' ? await (await import('./load/held')).held() : await (await import('./load/load')).load()
    for (const words of missed) console.error(words)
    process.exitCode = missed.length > 0 ? 1 : 0
    break
  }
  case 'bench':
    if (args[0] === 'load') await (await import('./load/growth')).growth()
    else await (await import('./bench/bench')).bench()
    break
  default:
    process.stdout.write(usage)
    process.exitCode = command === undefined || command === 'help' ? 0 : 2
}
