import { useQuery } from '@tanstack/react-query';
import { decimals } from '../../shared/format';
import { viewingWords } from '../ticket';
import { distancesQuery } from './queries';

/** How many pixels an inch needs, by how far away it is looked at. */
export function Distances() {
  const distances = useQuery(distancesQuery()).data ?? [];
  return (
    <section className="card desk-part" aria-label="ppi by viewing distance">
      <h2>By viewing distance</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">seen</th>
            <th scope="col">from</th>
            <th scope="col">by practice</th>
            <th scope="col">the eye resolves</th>
          </tr>
        </thead>
        <tbody>
          {distances.map(({ viewing, metres, ppiNeeded, eyePpi }) => (
            <tr key={metres}>
              <th scope="row">{viewing ? viewingWords[viewing] : ''}</th>
              <td>{decimals(metres, 2)} m</td>
              <td>{ppiNeeded} ppi</td>
              <td>{decimals(eyePpi, 0)} ppi</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">The eye: one minute of arc a pixel, 20/20 acuity.</p>
    </section>
  );
}
