import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from '@playwright/test';
import { copyDemoTo } from './demoData.mjs';
import { laneOwnPort } from './servers.ts';

/** A server on the demo's data in a folder of its own, to be killed and started again beneath the page. */
export class OwnServer {
  readonly folder = mkdtempSync(join(tmpdir(), 'nelvik-own-'));
  readonly port: number;
  readonly #env: Record<string, string>;
  #child: ChildProcess | null = null;

  constructor(port: number, env: Record<string, string> = {}) {
    this.port = port;
    this.#env = env;
  }

  /** Fills its folder with the demo's data. */
  fill(): void {
    copyDemoTo(this.folder);
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  #whole(): NodeJS.ProcessEnv {
    return { ...process.env, NELVIK_DATA: this.folder, PORT: String(this.port), HOST: '127.0.0.1', ...this.#env };
  }

  async start(): Promise<void> {
    const child = spawn(process.execPath, ['dist/server/main.mjs'], {
      env: this.#whole(),
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.#child = child;
    await new Promise<void>((up, failed) => {
      child.stdout.on('data', (text: Buffer) => {
        if (text.toString().includes('Nelvik is at')) up();
      });
      child.once('exit', () => failed(new Error('the server stopped before it was up')));
    });
  }

  /** By the hardest way there is. */
  async kill(): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill('SIGKILL');
    await gone;
    this.#child = null;
  }

  async remove(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** One of its own for the tests of a group, there before the first and gone after the last. */
export function ownServer(port: number, env: Record<string, string> = {}): OwnServer {
  const server = new OwnServer(port, env);
  test.beforeAll(async () => {
    server.fill();
    await server.start();
  });
  test.afterAll(() => server.remove());
  return server;
}

/** The demo's data on a server of its own for the tests of one file or group: up before the first, gone after the last. */
export function ownDemo(): OwnServer {
  const studio = new OwnServer(laneOwnPort());
  test.beforeAll(async () => {
    studio.fill();
    await studio.start();
  });
  test.afterAll(() => studio.remove());
  return studio;
}
