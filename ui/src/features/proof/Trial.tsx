import { Button } from 'antd';
import { FormPopover } from '../../shared/FormPopover';
import { useProfileTitle } from '../profiles';
import { ColourForm, colourWords, SharpeningForm, sharpeningWords, methodNames, ResamplingForm, resamplingWords, type TicketDocument } from '../ticket';

/** What is tried on the proof before the ticket says it. */
export interface Tried {
  resampling?: TicketDocument['resampling'];
  sharpening?: TicketDocument['sharpening'];
  colour?: TicketDocument['colour'];
}

interface Props {
  document: TicketDocument;
  tried: Tried;
  /** The method that is used, where the ticket leaves it to each picture's need. */
  used: keyof typeof methodNames | undefined;
  onTry: (tried: Tried) => void;
}

/** Method, sharpening and colours, changed here and seen at once; the ticket stays as it is until they are carried to it. */
export function Trial({ document, tried, used, onTry }: Props) {
  const resampling = tried.resampling ?? document.resampling;
  const sharpening = tried.sharpening ?? document.sharpening;
  const colour = tried.colour ?? document.colour;
  const title = useProfileTitle(colour.kind === 'keep' ? undefined : colour.profile.digest);
  const method =
    resampling.method === 'BY_ITSELF' && used ? `by ${methodNames[used]}, as suits it` : resamplingWords(resampling);
  return (
    <>
      <FormPopover
        title="Resampling"
        content={<ResamplingForm value={resampling} onChange={(next) => onTry({ ...tried, resampling: next })} />}
      >
        <Button className={tried.resampling ? 'own-marked' : ''}>{method}</Button>
      </FormPopover>
      <FormPopover
        title="Sharpening"
        content={
          <div className="own-form">
            <SharpeningForm value={sharpening} onChange={(next) => onTry({ ...tried, sharpening: next })} />
          </div>
        }
      >
        <Button className={tried.sharpening ? 'own-marked' : ''}>{sharpeningWords(sharpening)}</Button>
      </FormPopover>
      <FormPopover
        title="Colour"
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
      </FormPopover>
    </>
  );
}
