import { useMutation, useQuery } from '@tanstack/react-query';
import { Button, Drawer, Segmented, Select } from 'antd';
import { useState, type CSSProperties } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { saveFile } from '../../shared/saveFile';
import { Failed, Loading } from '../../shared/states';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { fetchProof, type Look, type ProofSubject } from '../pixels';
import { contoursQuery } from './queries';
import type { Tried } from './Trial';
import { placesOf, settingsOf, sideOf, stripPapers, type Place, type Setting, type Varied } from './trialStrip';

interface Props {
  subject: ProofSubject;
  plan: Schemas['PlanNumbers'];
  look: Look;
  onTry: (tried: Tried) => void;
  onClose: () => void;
}

const INCHES = [1, 1.5, 2, 3];

const described: Record<Varied, string> = { sharpening: 'strengths of sharpening', intent: 'intents' };

/** Crops at their final size in several settings, as they will lie on a small sheet; the one that paper decides for is tried here. */
export function TrialStrip({ subject: shown, plan, look, onTry, onClose }: Props) {
  // What the picture has of its own would be the same under every setting.
  const subject = { ...shown, override: { ...shown.override, sharpening: null } };
  const converts = subject.ticket.colour.kind === 'convert';
  const [varied, setVaried] = useState<Varied>('sharpening');
  const [inches, setInches] = useState(1.5);
  const [paper, setPaper] = useState(0);
  const contours = useQuery(contoursQuery(subject));
  const settings = settingsOf(varied, subject.ticket, plan);
  const side = sideOf(inches, plan);
  const places = contours.data ? placesOf(contours.data, side, plan) : [];
  const { width: paperWidth, height: paperHeight } = stripPapers[paper]!;
  const save = useMutation({
    mutationFn: async () => {
      const pdf = await answer(
        api.POST('/api/v1/originals/{id}/trial-strip', {
          params: { path: { id: subject.originalId } },
          body: {
            framing: subject.framing,
            override: subject.override,
            settings: settings.map(({ words, tried }) => ({ words, ticket: { ...subject.ticket, ...tried } })),
            places,
            width: side,
            height: side,
            paperWidth,
            paperHeight,
          },
          parseAs: 'blob',
        }),
      );
      saveFile(pdf as unknown as Blob, 'trial strip.pdf');
    },
  });
  return (
    <Drawer open onClose={onClose} size={1080} title="Trial strip">
      <div className="trial-strip-wishes">
        <Segmented
          aria-label="What differs"
          value={varied}
          onChange={setVaried}
          options={(converts ? (['sharpening', 'intent'] as const) : (['sharpening'] as const)).map((value) => ({
            value,
            label: described[value],
          }))}
        />
        <Select
          aria-label="Size of each crop"
          value={inches}
          onChange={setInches}
          options={INCHES.map((value) => ({ value, label: `crops of ${value} in` }))}
        />
        <Select
          aria-label="Paper of the strip"
          value={paper}
          onChange={setPaper}
          options={stripPapers.map(({ name }, value) => ({ value, label: `on ${name}` }))}
        />
        <Button type="primary" disabled={places.length === 0} loading={save.isPending} onClick={() => save.mutate()}>
          Save the strip as PDF
        </Button>
      </div>
      {save.isError && <Failed error={save.error} again={() => save.mutate()} />}
      {contours.isPending && <Loading what="where the picture has detail" />}
      {contours.isError && <Failed error={contours.error} again={() => void contours.refetch()} />}
      {places.map((place) => (
        <div key={`${place.x} ${place.y}`} className="trial-strip-row" style={{ '--settings': settings.length } as CSSProperties}>
          {settings.map((setting) => (
            <Crop key={setting.words} subject={subject} setting={setting} place={place} side={side} look={look} onTry={onTry} />
          ))}
        </div>
      ))}
      <p className="quiet">
        Print the strip on the paper that the large print is for, without scaling, and look at it from where the print will be
        seen. Then choose here what looked best: it is tried on the proof, and used on the ticket from there.
      </p>
    </Drawer>
  );
}

interface CropProps {
  subject: ProofSubject;
  setting: Setting;
  place: Place;
  side: number;
  look: Look;
  onTry: (tried: Tried) => void;
}

function Crop({ subject, setting, place, side, look, onTry }: CropProps) {
  const ticket = { ...subject.ticket, ...setting.tried };
  const region = { ...place, width: side, height: side };
  const proof = useQuery({
    queryKey: ['trial-strip', subject.originalId, subject.framing, ticket, region, look],
    gcTime: 60_000,
    staleTime: Infinity,
    retry: false,
    queryFn: ({ signal }) => fetchProof({ ...subject, ticket }, { region, show: 'FILE', look, reduction: null }, signal),
  });
  const url = useObjectUrl(proof.data?.blob);
  if (proof.isError) return <Failed error={proof.error} again={() => void proof.refetch()} />;
  return (
    <button type="button" className="trial-strip-crop" onClick={() => onTry(setting.tried)}>
      <span className="trial-strip-picture">{url && <img src={url} alt="" draggable={false} />}</span>
      {setting.words}
    </button>
  );
}
