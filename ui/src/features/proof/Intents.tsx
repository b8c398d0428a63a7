import { useQuery } from '@tanstack/react-query';
import { Drawer } from 'antd';
import type { Schemas } from '../../api/client';
import { decimals } from '../../shared/format';
import { Failed } from '../../shared/states';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { fetchProof, reducedSheet, type Look, type ProofSubject } from '../pixels';
import { gamutLossQuery } from '../profiles';
import { intentPurposes, type TicketDocument } from '../ticket';

type Convert = Extract<TicketDocument['colour'], { kind: 'convert' }>;
type Intent = Convert['intent'];

interface Props {
  original: Schemas['OriginalView'];
  subject: ProofSubject;
  colour: Convert;
  sheet: { width: number; height: number };
  look: Look;
  onTry: (colour: Convert) => void;
  onClose: () => void;
}

const intents: Intent[] = ['RELATIVE', 'PERCEPTUAL', 'SATURATION', 'ABSOLUTE'];
/** Longest side of a small proof. */
const SMALL = 260;

/** The intents side by side: a small proof of each, and what each does to the picture's colours. */
export function Intents({ original, subject, colour, sheet, look, onTry, onClose }: Props) {
  return (
    <Drawer open onClose={onClose} size={620} title="The intents side by side">
      <div className="intents">
        {intents.map((intent) => (
          <One
            key={intent}
            original={original}
            subject={{
              ...subject,
              ticket: {
                ...subject.ticket,
                colour: { ...colour, intent, blackPoint: intent === 'ABSOLUTE' ? 'PLAIN' : 'COMPENSATED' },
              },
            }}
            sheet={sheet}
            look={look}
            intent={intent}
            isHere={intent === colour.intent}
            onTry={onTry}
          />
        ))}
      </div>
      <p className="quiet">
        The mean ΔE00 is between the picture and its print, each against its own white: the smaller, the more alike. Black
        goes to black but with absolute.
      </p>
    </Drawer>
  );
}

interface OneProps {
  original: Schemas['OriginalView'];
  subject: ProofSubject;
  sheet: { width: number; height: number };
  look: Look;
  intent: Intent;
  isHere: boolean;
  onTry: (colour: Convert) => void;
}

function One({ original, subject, sheet, look, intent, isHere, onTry }: OneProps) {
  const reduction = Math.max(1, Math.max(sheet.width, sheet.height) / (SMALL * devicePixelRatio));
  const asked = reduction > 1 ? Math.round(reduction * 1000) / 1000 : null;
  const region = { x: 0, y: 0, ...reducedSheet(sheet, asked) };
  const proof = useQuery({
    queryKey: ['intent', subject, region, look],
    gcTime: 60_000,
    staleTime: Infinity,
    retry: false,
    queryFn: ({ signal }) => fetchProof(subject, { region, show: 'FILE', look, reduction: asked }, signal),
  });
  const loss = useQuery(gamutLossQuery(original, subject.ticket, subject.framing)).data;
  const url = useObjectUrl(proof.data?.blob);
  const { name, purpose } = intentPurposes[intent];
  const wanted = subject.ticket.colour;
  if (proof.isError) return <Failed error={proof.error} again={() => void proof.refetch()} />;
  return (
    <button
      type="button"
      className={`intent${isHere ? ' intent-here' : ''}`}
      aria-pressed={isHere}
      onClick={() => wanted.kind === 'convert' && onTry(wanted)}
    >
      <span className="intent-stage">{url && <img src={url} alt={`Printed with ${name} intent`} draggable={false} />}</span>
      <strong>{name}</strong>
      <span className="quiet">{purpose}</span>
      <span role="status">{loss ? `mean ΔE00 ${decimals(loss.meanDifference, 2)}` : 'looking'}</span>
    </button>
  );
}
