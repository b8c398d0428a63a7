import { mkdirSync, writeFileSync } from 'node:fs';
import type { Reporter, TestModule } from 'vitest/node';

/**
 * Writes how long each file of tests took to target/class-times.tsv: name, wall seconds, processor seconds. Files share
 * threads of one process, so only its whole processor time is known; it is shared out by wall time.
 */
export default class FileTimes implements Reporter {
  onTestRunEnd(files: readonly TestModule[]) {
    const times = files.map((file) => {
      const { collectDuration, duration } = file.diagnostic();
      return { name: file.moduleId.replace(/^.*\/src\//, ''), seconds: (collectDuration + duration) / 1000 };
    });
    const whole = times.reduce((sum, file) => sum + file.seconds, 0);
    const { user, system } = process.cpuUsage();
    const cpuSeconds = (user + system) / 1e6;
    mkdirSync('target', { recursive: true });
    writeFileSync(
      'target/class-times.tsv',
      times
        .map(({ name, seconds }) => `${name}\t${seconds.toFixed(1)}\t${((cpuSeconds * seconds) / whole).toFixed(1)}\n`)
        .join(''),
    );
  }
}
