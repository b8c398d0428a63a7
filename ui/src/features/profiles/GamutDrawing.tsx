import { useQuery } from '@tanstack/react-query';
import { Failed, Loading } from '../../shared/states';
import type { Schemas } from '../../api/client';
import { gamutQuery, type Profile } from './queries';

type Drawn = Schemas['GamutView'];

interface Props {
  profile: Profile;
  /** Compare with it. */
  beside: Profile | undefined;
}

/** Which colours a profile has, beside another: in u′v′, in slices of L*a*b*, and how light its greys are. */
export function GamutDrawing({ profile, beside }: Props) {
  const own = useQuery(gamutQuery(profile.digest));
  const other = useQuery({ ...gamutQuery(beside?.digest ?? ''), enabled: beside !== undefined }).data;
  if (own.isPending) return <Loading what="its colours" />;
  if (own.isError) return <Failed error={own.error} again={() => void own.refetch()} />;
  return (
    <div className="gamut">
      <figure>
        <Chromaticities own={own.data} other={other} />
        <figcaption>u′v′, CIE 1976: all lightnesses from above</figcaption>
      </figure>
      {own.data.slices.map((slice, i) => (
        <figure key={slice.lightness}>
          <Slice own={slice} other={other?.slices[i]} />
          <figcaption>a*b* at L* {slice.lightness}</figcaption>
        </figure>
      ))}
      <figure>
        <Tones own={own.data.tones} other={other?.tones} />
        <figcaption>{profile.model === 'CMYK' ? 'black ink, from full to none' : 'greys, from no light to white'}: L*</figcaption>
      </figure>
      <p className="gamut-key">
        <span className="gamut-own">━ {profile.title}</span>
        {beside && <span className="gamut-other">╌ {beside.title}</span>}
      </p>
    </div>
  );
}

const points = (pairs: number[][]) => pairs.map(([x, y]) => `${x},${y}`).join(' ');

/** u′ to 0.65 and v′ to 0.6 hold all colours there are. */
function Chromaticities({ own, other }: { own: Drawn; other: Drawn | undefined }) {
  const place = (pairs: number[][]) => points(pairs.map(([u = 0, v = 0]) => [u * 200, 126 - v * 200]));
  return (
    <svg viewBox="0 0 132 130" role="img" aria-label="Outline of its colours in u′v′">
      <Grid x={[0, 20, 40, 60, 80, 100, 120]} y={[6, 26, 46, 66, 86, 106, 126]} width={132} height={130} />
      {other && <polygon className="gamut-line-other" points={place(other.chromaticities)} />}
      <polygon className="gamut-line" points={place(own.chromaticities)} />
      <text x={124} y={123}>
        u′
      </text>
      <text x={3} y={12}>
        v′
      </text>
    </svg>
  );
}

function Slice({ own, other }: { own: Drawn['slices'][number]; other: Drawn['slices'][number] | undefined }) {
  const place = (pairs: number[][]) => points(pairs.map(([a = 0, b = 0]) => [65 + a / 2, 65 - b / 2]));
  return (
    <svg viewBox="0 0 130 130" role="img" aria-label={`Outline of its colours at L* ${own.lightness}`}>
      <Grid x={[15, 40, 65, 90, 115]} y={[15, 40, 65, 90, 115]} width={130} height={130} />
      <path className="gamut-axis" d="M65 0V130M0 65H130" />
      {other && other.rim.length > 2 && <polygon className="gamut-line-other" points={place(other.rim)} />}
      {own.rim.length > 2 ? (
        <polygon className="gamut-line" points={place(own.rim)} />
      ) : (
        <text x={30} y={60}>
          greys alone
        </text>
      )}
      <text x={118} y={62}>
        a*
      </text>
      <text x={68} y={9}>
        b*
      </text>
    </svg>
  );
}

function Tones({ own, other }: { own: number[]; other: number[] | undefined }) {
  const line = (tones: number[]) => points(tones.map((l, i) => [15 + (i / (tones.length - 1)) * 100, 115 - l]));
  return (
    <svg viewBox="0 0 130 130" role="img" aria-label={`From L* ${own[0]?.toFixed(0)} to L* ${own.at(-1)?.toFixed(0)}`}>
      <Grid x={[15, 40, 65, 90, 115]} y={[15, 40, 65, 90, 115]} width={130} height={130} />
      {other && <polyline className="gamut-line-other" points={line(other)} />}
      <polyline className="gamut-line" points={line(own)} />
      <text x={3} y={18}>
        100
      </text>
      <text x={6} y={119}>
        0
      </text>
    </svg>
  );
}

function Grid({ x, y, width, height }: { x: number[]; y: number[]; width: number; height: number }) {
  const d = [...x.map((at) => `M${at} 0V${height}`), ...y.map((at) => `M0 ${at}H${width}`)].join('');
  return <path className="gamut-grid" d={d} />;
}
