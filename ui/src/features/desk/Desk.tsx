import { NavLink, Outlet } from 'react-router';
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
      <nav className="desk-nav" aria-label="Desk">
        {places.map(({ to, words }) => (
          <NavLink key={to} to={to} end>
            {words}
          </NavLink>
        ))}
      </nav>
      <Outlet />
    </>
  );
}
