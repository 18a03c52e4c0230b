/** `npm start` and `npm run demo`: install and build what is missing, serve, print the address. */
import { spawn } from 'node:child_process';
import { readyBuild, readyPackages } from './ready.mjs';

readyPackages();
readyBuild();

const port = process.env.PORT ?? '4173';
const host = process.env.HOST ?? '127.0.0.1';
const address = `http://${host}:${port}`;
const server = spawn(process.execPath, ['server/index.mjs'], {
  cwd: new URL('..', import.meta.url).pathname,
  env: {
    ...process.env,
    PORT: port,
    HOST: host,
    ORIGIN: process.env.ORIGIN ?? address,
    ...(process.argv.includes('--demo') ? { TENANT_DEMO: '1' } : {}),
  },
  stdio: ['ignore', 'ignore', 'inherit'],
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
console.log(`Tenant is served at ${address}`);
