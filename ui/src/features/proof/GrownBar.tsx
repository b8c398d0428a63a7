import { Button, Progress } from 'antd';
import type { useBackground } from './useBackground';

interface Props {
  background: ReturnType<typeof useBackground>;
  isMapShown: boolean;
  onMap: () => void;
}

/** What there is to be said of a grown background, and a person's say over it. */
export function GrownBar({ background, isMapShown, onMap }: Props) {
  const { view, isAccepted, accept, takeBack, tryAgain, fillInstead } = background;
  if (!view || view.state === 'NONE') return null;
  const others = (
    <>
      <Button size="small" onClick={() => fillInstead('MIRROR')}>
        Mirrored instead
      </Button>
      <Button size="small" onClick={() => fillInstead('DRAWN_OUT')}>
        Edge drawn out instead
      </Button>
    </>
  );
  if (view.state === 'GROWING') {
    return (
      <div className="grown-bar" role="status">
        <span>Background is being grown from the picture’s own texture.</span>
        <Progress className="grown-progress" percent={Math.round(view.share * 100)} size="small" aria-label="grown so far" />
        {others}
      </div>
    );
  }
  if (view.state === 'DECLINED') {
    return (
      <div className="grown-bar grown-declined" role="status">
        <span>
          {view.reason} {view.remedy}
        </span>
        {others}
      </div>
    );
  }
  return (
    <div className={`grown-bar${isAccepted ? ' grown-accepted' : ''}`} role="status">
      <span>
        {isAccepted && '✓ Accepted. '}Grown background {Math.round(view.likeness * 100)} % like the picture
        {view.weakShare > 0.005 && <>, look closer at {Math.ceil(view.weakShare * 100)} % of it</>}.
      </span>
      <Button size="small" aria-pressed={isMapShown} onClick={onMap}>
        {isMapShown ? 'Hide weak places' : 'Show weak places'} <kbd>W</kbd>
      </Button>
      {isAccepted ? (
        <Button size="small" onClick={takeBack}>
          Take back
        </Button>
      ) : (
        <Button size="small" type="primary" onClick={accept}>
          Accept background <kbd>A</kbd>
        </Button>
      )}
      <Button size="small" onClick={tryAgain}>
        Another try <kbd>T</kbd>
      </Button>
      {others}
    </div>
  );
}
