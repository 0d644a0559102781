import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { fork, type ChildProcess } from 'node:child_process'
import { existsSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { SampleWorld } from '@outfit/core/sample'
import { Problem } from '../base/problem.ts'
import { SETTINGS, type Settings } from '../base/settings.ts'

/** Where in a data folder the sample world beside it has its own. */
const BESIDE = 'sample-beside'
/** What a sample world says when it is to be removed. */
const REMOVE = 'remove'
/** Milliseconds within which an answer has gone out. */
const ANSWERED = 200

/**
 * The sample world beside a workspace: a program of its own with a folder of its own, so that looking round touches nothing of
 * one's own and all of it can be removed at once.
 */
@Injectable()
export class SampleService implements OnApplicationShutdown {
  private child: ChildProcess | null = null
  private address: string | null = null
  private problem = ''
  private readonly folder: string

  constructor(@Inject(SETTINGS) private readonly settings: Settings) {
    this.folder = join(settings.data, BESIDE)
  }

  /** How the sample world beside this workspace stands. */
  now(): SampleWorld {
    return {
      offered: Boolean(this.settings.samples),
      state: this.child === null ? 'none' : this.address === null ? 'starting' : 'open',
      address: this.address,
      problem: this.problem,
      kept: existsSync(this.folder),
      back: this.settings.back ?? null,
    }
  }

  /** Begin it, where it does not run yet; it is open some seconds later. `back` is the address of this workspace. */
  open(back: string): SampleWorld {
    const { samples, web } = this.settings
    if (!samples) throw new Problem(409, 'No sample world came with this program. Start one with npm run demo.')
    if (this.child) return this.now()
    this.problem = ''
    const args = ['--port', '0', '--data', this.folder, '--world', samples, '--back', back]
    const child = fork(process.argv[1]!, [...args, ...(web ? ['--web', web] : [])], {
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    })
    this.child = child
    let said = ''
    child.stderr?.on('data', (chunk: Buffer) => (said = `${said}${chunk}`.slice(-2000)))
    child.on('message', (message: { address?: string } | typeof REMOVE) => {
      if (message === REMOVE) void this.remove()
      else if (message.address) this.address = message.address
    })
    child.once('exit', (code) => {
      if (this.child !== child) return
      if (this.address === null && code !== 0) this.problem = reasonIn(said)
      this.child = null
      this.address = null
    })
    return this.now()
  }

  /** End it and delete everything of it. From within it: ask the workspace beside to do so. */
  async remove(): Promise<void> {
    if (this.settings.back) {
      // Whoever asks has the answer before there is nobody left to give it.
      setTimeout(() => process.send?.(REMOVE), ANSWERED)
      return
    }
    const { child } = this
    this.child = null
    this.address = null
    if (child && child.exitCode === null) {
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await ended
    }
    rmSync(this.folder, { recursive: true, force: true })
  }

  onApplicationShutdown(): void {
    this.child?.kill()
  }
}

/** What a program that ended said of why: the message of its error, or the first it said. */
const reasonIn = (said: string): string =>
  /Error: (.+)/.exec(said)?.[1] ?? (said.trim().split('\n')[0] || 'It ended before it was ready.')
