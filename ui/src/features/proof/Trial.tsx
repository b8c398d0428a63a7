import { Button, Popover } from 'antd';
import { useProfileTitle } from '../profiles';
import { ColourForm, colourWords, LiftForm, liftWords, methodNames, ResamplingForm, resamplingWords, type TicketDocument } from '../ticket';

/** What is tried on the proof before the ticket says it. */
export interface Tried {
  resampling?: TicketDocument['resampling'];
  lift?: TicketDocument['lift'];
  colour?: TicketDocument['colour'];
}

interface Props {
  document: TicketDocument;
  tried: Tried;
  /** The method that is used, where the ticket leaves it to each picture's need. */
  used: keyof typeof methodNames | undefined;
  onTry: (tried: Tried) => void;
}

/** Method, lift and colours, changed here and seen at once; the ticket stays as it is until they are carried to it. */
export function Trial({ document, tried, used, onTry }: Props) {
  const resampling = tried.resampling ?? document.resampling;
  const lift = tried.lift ?? document.lift;
  const colour = tried.colour ?? document.colour;
  const title = useProfileTitle(colour.kind === 'keep' ? undefined : colour.profile.digest);
  const method =
    resampling.method === 'BY_ITSELF' && used ? `by ${methodNames[used]}, as it needs` : resamplingWords(resampling);
  return (
    <>
      <Popover
        trigger="click"
        title="The method"
        destroyOnHidden
        content={<ResamplingForm value={resampling} onChange={(next) => onTry({ ...tried, resampling: next })} />}
      >
        <Button className={tried.resampling ? 'own-marked' : ''}>{method}</Button>
      </Popover>
      <Popover
        trigger="click"
        title="The lift"
        destroyOnHidden
        content={
          <div className="own-form">
            <LiftForm value={lift} onChange={(next) => onTry({ ...tried, lift: next })} />
          </div>
        }
      >
        <Button className={tried.lift ? 'own-marked' : ''}>{liftWords(lift)}</Button>
      </Popover>
      <Popover
        trigger="click"
        title="The colours"
        destroyOnHidden
        content={
          <div className="own-form">
            <ColourForm
              value={colour}
              rounding={document.rounding}
              onChange={({ colour: next }) => next && onTry({ ...tried, colour: next })}
            />
          </div>
        }
      >
        <Button className={tried.colour ? 'own-marked' : ''}>in {colourWords(colour, title)}</Button>
      </Popover>
    </>
  );
}
