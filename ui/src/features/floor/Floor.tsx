import { Outlet } from 'react-router';
import { PlaceNav } from '../../shared/PlaceNav';

const places = [
  { to: '/floor', words: 'Workers and queue' },
  { to: '/hot-folders', words: 'Hot folders' },
  { to: '/roll', words: 'Roll' },
];

/** The floor: what works on its own. Its first page shows all of it, the others one part each. */
export function Floor() {
  return (
    <>
      <PlaceNav label="Floor" places={places} />
      <Outlet />
    </>
  );
}
