import { Outlet } from 'react-router';
import { PlaceNav } from '../../shared/PlaceNav';
import './desk.css';

const places = [
  { to: '/desk', words: 'Pixels, size and ppi' },
  { to: '/saved-tickets', words: 'Saved tickets' },
  { to: '/desk/sizes', words: 'Saved sizes' },
  { to: '/desk/names', words: 'Name patterns' },
  { to: '/desk/products', words: 'Products' },
  { to: '/profiles', words: 'Profiles' },
];

/** The desk: what is kept outside jobs, and the instrument. */
export function Desk() {
  return (
    <>
      <PlaceNav label="Desk" places={places} />
      <Outlet />
    </>
  );
}
