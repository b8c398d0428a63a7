import { NavLink } from 'react-router';
import './placeNav.css';

/** The pages of one place outside jobs, the present one marked. */
export function PlaceNav({ label, places }: { label: string; places: { to: string; words: string }[] }) {
  return (
    <nav className="place-nav" aria-label={label}>
      {places.map(({ to, words }) => (
        <NavLink key={to} to={to} end>
          {words}
        </NavLink>
      ))}
    </nav>
  );
}
