import type { Schemas } from '../../api/client';
import type { ProblemDetail } from '../../api/problems';
import { spokenIn } from '../../shared/format';
import { SharpeningForm } from './SharpeningForm';
import { useProfileTitle } from '../profiles';
import { brickFields, NumberField } from './BrickFields';
import { Bricks } from './Bricks';
import { ColourForm } from './ColourForm';
import { EdgesForm } from './EdgesForm';
import { edgesWords } from './edgesWords';
import { FileForm } from './FileForm';
import { MarkForm } from './MarkForm';
import { MetadataForm } from './MetadataForm';
import { Phrase } from './Phrase';
import { ProductWords } from './ProductWords';
import {
  Choice,
  FitForm,
  PpiForm,
  ResamplingForm,
  TextForm,
  TurnForm,
  ViewingForm,
} from './phrases';
import { SizeForm } from './SizeForm';
import { usualMetadata, type TicketDocument } from './queries';
import {
  brickWords,
  colourWords,
  fileWords,
  fitWords,
  letterWords,
  markWords,
  metadataWords,
  sharpeningWords,
  newBricks,
  resamplingWords,
  sizeWords,
  subfolderWords,
  turnWords,
  viewingWords,
} from './words';

interface Props {
  document: TicketDocument;
  pieces: number;
  problems: ProblemDetail[];
  /** Of a picture of the pile, where there is one. */
  plan?: Schemas['PlanNumbers'] | undefined;
  onChange: (part: Partial<TicketDocument>) => void;
}

/** What a ticket says whose files stay as they are, with all that they say of themselves. */
const untouched = {
  metadata: { ...usualMetadata, kept: 'ALL', place: 'KEPT', serialNumbers: 'KEPT' },
  size: { kind: 'own' }, edges: { kind: 'none' }, sharpening: { kind: 'none' }, colour: { kind: 'keep' }, mark: null, product: null,
} as const;

/** The ticket as a sentence. */
export function Sentence({ document, pieces, problems, plan, onChange }: Props) {
  // Whatever unit each length was typed in: one sentence speaks one.
  const spoken = spokenIn(document, document.unit);
  const wrong = (subject: string) => problems.find((problem) => problem.subject === subject);
  const onPaper = document.size.kind === 'paper' || document.size.kind === 'pixels';
  const copies = document.copies ?? 1;
  const metadata = document.metadata ?? usualMetadata;
  const title = useProfileTitle(document.colour.kind === 'keep' ? undefined : document.colour.profile.digest);
  const filePhrase = (
    <Phrase after="," words={fileWords(document.file)} label="File" problem={wrong('file')}>
      {() => (
        <FileForm
          value={document.file}
          // A file that stays as it is leaves nothing else to say of it; one that is made anew gives no place away by itself.
          onChange={(file) => {
            if (file.kind === 'as-it-is') onChange({ ...untouched, file });
            else onChange(document.file.kind === 'as-it-is' ? { metadata: usualMetadata, file } : { file });
          }}
        />
      )}
    </Phrase>
  );
  const metadataPhrase = (
    <Phrase after="," words={metadataWords(metadata)} label="Metadata" problem={wrong('metadata')}>
      {() => <MetadataForm value={metadata} onChange={(changed) => onChange({ metadata: changed })} />}
    </Phrase>
  );
  if (document.file.kind === 'as-it-is') {
    return (
      <p className="sentence">
        Rename {pieces === 0 ? 'every picture' : pieces === 1 ? 'the picture' : `all ${pieces} pictures`} as{' '}
        {filePhrase} with{' '}
        {wrong('metadata') ? metadataPhrase : 'all that they say, also where they were taken,'}
        <Naming document={document} wrong={wrong} onChange={onChange} />
      </p>
    );
  }
  return (
    <p className="sentence">
      Print {pieces === 0 ? 'every picture' : pieces === 1 ? 'the picture' : `all ${pieces} pictures`}{' '}
      <Phrase after="," words={copies === 1 ? 'one copy each' : `${copies} copies each`} label="Copies" problem={wrong('copies')}>
        {() => <NumberField label="copies of each picture" min={1} max={999} value={copies} onChange={(changed) => onChange({ copies: changed })} />}
      </Phrase>{' '}
      {document.product && (
        <>
          held to{' '}
          <Phrase after="," words={`the rule of “${document.product.name}”`} label="Product" problem={wrong('product')}>
            {(close) => <ProductWords product={document.product!} onRemove={() => { onChange({ product: null }); close(); }} />}
          </Phrase>{' '}
        </>
      )}
      at{' '}
      <Phrase after="," words={sizeWords(spoken.size)} label="Size" problem={wrong('size')}>
        {() => <SizeForm value={document.size} onChange={(size) => onChange({ size })} />}
      </Phrase>
      {document.size.kind !== 'own' && document.size.kind !== 'scaled' && (
        <>
          {' '}
          <Phrase after="," words={turnWords[document.turn]} label="Orientation of the sheet">
            {() => <TurnForm value={document.turn} onChange={(turn) => onChange({ turn })} />}
          </Phrase>
        </>
      )}
      {onPaper && (
        <>
          {' '}
          <Phrase after="," words={fitWords(spoken.fit)} label="How the picture fits the paper" problem={wrong('fit')}>
            {() => <FitForm value={document.fit} onChange={(fit) => onChange({ fit })} />}
          </Phrase>
        </>
      )}
      {' '}with{' '}
      <Phrase after="," words={edgesWords(spoken.edges)} label="Edges" problem={wrong('edges')}>
        {() => (
          <EdgesForm value={document.edges} unit={document.unit} isPaper={document.size.kind === 'paper'} plan={plan} onChange={(edges) => onChange({ edges })} />
        )}
      </Phrase>
      {onPaper ? ' at' : ' marked'}{' '}
      <Phrase after="," words={`${document.ppi} ppi`} label="Resolution" problem={wrong('ppi')}>
        {() => <PpiForm value={document.ppi} onChange={(ppi) => onChange({ ppi })} />}
      </Phrase>
      {' '}to be seen{' '}
      <Phrase after="," words={viewingWords[document.viewing]} label="Viewing distance">
        {() => <ViewingForm value={document.viewing} onChange={(viewing) => onChange({ viewing })} />}
      </Phrase>
      {' '}
      <Phrase after="," words={resamplingWords(document.resampling)} label="Resampling">
        {() => <ResamplingForm value={document.resampling} onChange={(resampling) => onChange({ resampling })} />}
      </Phrase>
      {' '}
      <Phrase after="," words={sharpeningWords(document.sharpening)} label="Sharpening" problem={wrong('sharpening')}>
        {() => <SharpeningForm value={document.sharpening} onChange={(sharpening) => onChange({ sharpening })} />}
      </Phrase>
      {' '}in{' '}
      <Phrase
        after=","
        words={`${colourWords(document.colour, title)}${document.rounding === 'DITHERED' ? ', dithered' : ''}`}
        label="Colour"
        problem={wrong('colour')}
      >
        {() => <ColourForm value={document.colour} rounding={document.rounding} onChange={onChange} />}
      </Phrase>
      {' '}as{' '}
      {filePhrase}
      {(document.mark || document.size.kind !== 'paper') && (
        <>
          {' '}
          <Phrase after="," words={markWords(document.mark ?? null)} label="Mark" problem={wrong('mark')}>
            {() => <MarkForm value={document.mark ?? null} onChange={(mark) => onChange({ mark })} />}
          </Phrase>
        </>
      )}
      {' '}carrying{' '}
      {metadataPhrase}
      <Naming document={document} wrong={wrong} onChange={onChange} />
    </p>
  );
}

/** How pieces are named, and where they lie. */
function Naming({ document, wrong, onChange }: Pick<Props, 'document' | 'onChange'> & { wrong: (subject: string) => ProblemDetail | undefined }) {
  const letters = document.letters ?? 'AS_IT_IS';
  const subfolders = document.subfolders ?? 'FLATTENED';
  return (
    <>
      {' '}named{' '}
      <Bricks
        name="Name brick"
        value={document.names}
        words={brickWords}
        fresh={newBricks}
        fields={brickFields}
        onChange={(names) => onChange({ names })}
      />{' '}
      <Phrase after="," words={letterWords[letters]} label="Letters of names">
        {() => <Choice value={letters} words={letterWords} onChange={(changed) => onChange({ letters: changed })} />}
      </Phrase>
      {(wrong('names') ?? wrong('name')) && (
        <span className="phrase-problem" role="alert">
          ■ {(wrong('names') ?? wrong('name'))!.text}
        </span>
      )}
      {' '}into{' '}
      <Phrase after="," words={document.folder} label="Folder" problem={wrong('folder')}>
        {() => (
          <TextForm
            label="name of the new folder"
            value={document.folder}
            onChange={(folder) => onChange({ folder })}
            hint="Each run makes a new folder; an existing one is never changed."
          />
        )}
      </Phrase>
      {' '}
      <Phrase after="." words={subfolderWords[subfolders]} label="Subfolders">
        {() => <Choice value={subfolders} words={subfolderWords} onChange={(changed) => onChange({ subfolders: changed })} />}
      </Phrase>
    </>
  );
}
