import './verdict.css';

export type Level = 'FINE' | 'SOFT' | 'POOR';

/** Never colour alone: each has its word and its own shape. */
const shapes: Record<Level, string> = { FINE: '●', SOFT: '◆', POOR: '■' };

export function Verdict({ level, text, plain }: { level: Level; text?: string; plain?: boolean }) {
  return (
    <span className={`verdict verdict-${level.toLowerCase()}${plain ? ' verdict-plain' : ''}`}>
      <span aria-hidden="true">{shapes[level]}</span> {text ?? level.toLowerCase()}
    </span>
  );
}
