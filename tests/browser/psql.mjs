// The PostgreSQL that ./test starts, and statements to it.
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));

export const connectionTo = database => {
  if (!process.env.KALYPTO_DATABASE) {
    throw new Error('KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.');
  }
  return process.env.KALYPTO_DATABASE.replace(/Database=\w+/, `Database=${database}`);
};

// A statement, as the role that the server works as; what it gives as text.
export const sql = (statement, connection) => {
  const of = name => new RegExp(`${name}=([^;]*)`).exec(connection)[1];
  return execFileSync('psql', ['--no-psqlrc', '--quiet', '--tuples-only', '--no-align', '--set', 'ON_ERROR_STOP=1', '--command', statement],
    { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, PGHOST: of('Host'), PGPORT: of('Port'), PGUSER: of('Username'), PGPASSWORD: of('Password'), PGDATABASE: of('Database') }, encoding: 'utf8' }).trim();
};
