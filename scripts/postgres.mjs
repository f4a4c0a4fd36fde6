// Finds, installs, creates, starts and stops a private PostgreSQL on loopback. Plain Node: it runs before `npm ci`.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import {
  accessSync,
  chmodSync,
  chownSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'

export class Explained extends Error {}
const isRoot = process.getuid?.() === 0
const LIB = '/usr/lib/postgresql'

/** The newest installed version's programs, or null. */
export function postgresPrograms() {
  if (!existsSync(LIB)) return null
  const versions = readdirSync(LIB)
    .filter((name) => /^\d+$/.test(name) && existsSync(join(LIB, name, 'bin/initdb')))
    .sort((a, b) => b - a)
  return versions.length ? { version: versions[0], bin: join(LIB, versions[0], 'bin') } : null
}

/** Installs Debian packages as root; tells the one command otherwise. */
export function ensurePackages(packages, what, say) {
  if (!isRoot)
    throw new Explained(
      `${what} is missing. Install it with this command, then start again:\n  sudo apt-get update && sudo apt-get install -y ${packages.join(' ')}`,
    )
  say(`Installing ${what} from Debian's packages …`)
  if (packages.includes('postgresql')) {
    // Debian would start a cluster of its own on port 5432; ours is private.
    mkdirSync('/etc/postgresql-common', { recursive: true })
    if (!existsSync('/etc/postgresql-common/createcluster.conf'))
      writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const apt = (...args) =>
    spawnSync('apt-get', ['-o', 'DPkg::Lock::Timeout=300', '-qq', ...args], { env, stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' })
  apt('update')
  const done = apt('-o', 'Dpkg::Options::=--force-confold', 'install', '-y', ...packages)
  if (done.status !== 0)
    throw new Explained(`${what} could not be installed: ${(done.stderr ?? '').trim().split('\n').slice(-3).join(' ')}`)
}

export function ensurePostgres(say) {
  if (!postgresPrograms()) ensurePackages(['postgresql'], 'PostgreSQL', say)
  const found = postgresPrograms()
  if (!found) throw new Explained('PostgreSQL was installed, but its programs are not where they belong (/usr/lib/postgresql).')
  return found
}

const postgresUser = () => {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((each) => each.startsWith('postgres:'))
  if (!line) throw new Explained('There is no system user "postgres"; the package postgresql is not installed whole.')
  const [, , uid, gid] = line.split(':')
  return { uid: Number(uid), gid: Number(gid) }
}

/** Runs one of PostgreSQL's programs, as root in the name of the user postgres. */
function run(bin, program, args) {
  const [command, all] = isRoot
    ? ['setpriv', ['--reuid=postgres', '--regid=postgres', '--init-groups', 'env', 'HOME=/var/lib/postgresql', join(bin, program), ...args]]
    : [join(bin, program), args]
  return spawnSync(command, all, { cwd: '/', encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] })
}

const passableForPostgres = (folder) => {
  for (let at = folder; ; at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false
    if (dirname(at) === at) return true
  }
}

/** Where the cluster goes: into the data folder, or, where PostgreSQL's user cannot get there, into /var/lib/jackdaw. */
export function clusterFolder(data, name) {
  const inside = join(data, name)
  if (!isRoot || passableForPostgres(data)) return inside
  return join('/var/lib/jackdaw', createHash('sha256').update(data).digest('hex').slice(0, 12), name)
}

export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer()
    server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })

function checkOwner(folder) {
  if (!existsSync(folder)) return
  const { uid } = statSync(folder)
  const expected = isRoot ? postgresUser().uid : process.getuid()
  if (uid !== expected)
    throw new Explained(
      `${folder} belongs to another user (number ${uid}). Start as that user, or remove the folder to begin with an empty database.`,
    )
}

/** Creates the cluster unless it is there whole. A creation that was broken off is begun again.
 * @param durable false for throw-away clusters of tests */
export function createCluster({ bin, version }, folder, password, { durable = true } = {}) {
  checkOwner(folder)
  const versionFile = join(folder, 'PG_VERSION')
  const whole = join(folder, 'created-whole')
  if (existsSync(versionFile) && existsSync(whole)) {
    const have = readFileSync(versionFile, 'utf8').trim()
    if (have !== version)
      throw new Explained(
        `${folder} was made by PostgreSQL ${have}; installed is ${version}. Install postgresql-${have}, or remove the folder to begin anew.`,
      )
    return
  }
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(dirname(folder), { recursive: true })
  mkdirSync(folder, { mode: 0o700 })
  if (isRoot) {
    const { uid, gid } = postgresUser()
    chownSync(folder, uid, gid)
  }
  chmodSync(folder, 0o700)
  const passwordFile = `${folder}.password`
  writeFileSync(passwordFile, `${password}\n`, { mode: 0o600 })
  if (isRoot) chownSync(passwordFile, postgresUser().uid, postgresUser().gid)
  const made = run(bin, 'initdb', [
    '-D',
    folder,
    '-U',
    'jackdaw',
    '-A',
    'scram-sha-256',
    `--pwfile=${passwordFile}`,
    '-E',
    'UTF8',
    '--locale-provider=icu',
    '--icu-locale=und',
    '--locale=C.UTF-8',
    '--no-instructions',
    ...(durable ? [] : ['--no-sync']),
  ])
  rmSync(passwordFile)
  if (made.status !== 0) throw new Explained(`The database could not be created in ${folder}: ${made.stderr.trim().split('\n').at(-1)}`)
  writeFileSync(whole, `${new Date().toISOString()}\n`)
}

/** The port on which a server runs in this folder, or null. */
export function runningPort(folder) {
  try {
    const lines = readFileSync(join(folder, 'postmaster.pid'), 'utf8').split('\n')
    process.kill(Number(lines[0]), 0)
    const command = readFileSync(`/proc/${Number(lines[0])}/cmdline`, 'utf8')
    return command.includes('postgres') ? Number(lines[3]) : null
  } catch (error) {
    if (error.code === 'EPERM') return null
    return null
  }
}

/** Starts the cluster; one that still runs from before is taken over. After an unclean end the first tries may fail for some seconds. */
export async function startCluster({ bin }, folder, { durable = true, settings = [] } = {}) {
  const already = runningPort(folder)
  if (already) return already
  for (let tries = 1; ; tries++) {
    const port = await freePort()
    const options = [
      'listen_addresses=127.0.0.1',
      "unix_socket_directories=''",
      'dynamic_shared_memory_type=mmap',
      'max_connections=150',
      ...(durable ? [] : ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']),
      ...settings,
    ]
    const started = run(bin, 'pg_ctl', [
      '-D',
      folder,
      '-w',
      '-t',
      '60',
      '-s',
      '-l',
      join(folder, 'server.log'),
      '-o',
      `-p ${port} ${options.map((each) => `-c ${each}`).join(' ')}`,
      'start',
    ])
    if (started.status === 0) return port
    if (tries === 5) {
      const log = existsSync(join(folder, 'server.log'))
        ? readFileSync(join(folder, 'server.log'), 'utf8').trim().split('\n').slice(-2).join(' / ')
        : started.stderr.trim()
      throw new Explained(`PostgreSQL does not start: ${log}`)
    }
    await new Promise((resolve) => setTimeout(resolve, 1000 * tries))
  }
}

export function stopCluster({ bin }, folder, mode = 'fast') {
  if (runningPort(folder)) run(bin, 'pg_ctl', ['-D', folder, '-m', mode, '-w', '-t', '30', '-s', 'stop'])
}

/** Runs SQL as the owner of the cluster.
 * @public the tests load it by its path */
export function sql({ bin }, port, password, database, statement) {
  const done = spawnSync(
    join(bin, 'psql'),
    ['-h', '127.0.0.1', '-p', String(port), '-U', 'jackdaw', '-d', database, '-qAtX', '-v', 'ON_ERROR_STOP=1', '-c', statement],
    { encoding: 'utf8', env: { ...process.env, PGPASSWORD: password } },
  )
  if (done.status !== 0) throw new Explained(`PostgreSQL: ${done.stderr.trim()}`)
  return done.stdout.trim()
}

/** A secret kept in a file that only its owner reads; made at the first call. */
export function secret(file) {
  if (existsSync(file)) {
    try {
      accessSync(file, constants.R_OK)
    } catch {
      throw new Explained(`${file} belongs to another user. Start as that user, or remove the folder ${dirname(file)} to begin anew.`)
    }
    const have = readFileSync(file, 'utf8').trim()
    if (have.length >= 32) return have
  }
  const made = randomBytes(32).toString('base64url')
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, `${made}\n`, { mode: 0o600 })
  return made
}

export const ensureDatabase = (programs, port, password, name) => {
  if (sql(programs, port, password, 'postgres', `select 1 from pg_database where datname = '${name}'`) !== '1')
    sql(programs, port, password, 'postgres', `create database ${name}`)
}
export const commandExists = (name) => {
  try {
    execFileSync('sh', ['-c', `command -v ${name}`], { stdio: 'ignore' })
    return true
  } catch {
    return false
  }
}
