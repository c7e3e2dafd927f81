import type { ReactNode } from 'react';
import shipped from './shipped.json';

/** What ships with the application, with its licences; the list is written by `npm run licences`. */
export function AboutScreen(): ReactNode {
  return (
    <div className="panel max-w-4xl p-6">
      <h1 className="mb-2">About Oak Rungs</h1>
      <p className="mb-4 text-lg">
        Everything stays in this browser until you export it. Nothing is sent anywhere. Children’s data: local rules are
        yours to follow.
      </p>
      <p className="mb-4 text-warn">
        Pain, numbness or tingling while playing: stop, rest, and see a clinician who knows musicians. The tool gives no
        medical advice. Wind players who feel dizzy from full breaths: pause. In loud rooms and with headphones keep the
        level down.
      </p>
      <h2 className="mb-2">Packages and fonts shipped, with their licences</h2>
      <table className="w-full text-left [overflow-wrap:anywhere]">
        <thead>
          <tr className="text-sm text-ink-2">
            <th className="py-1">Name</th>
            <th>Version</th>
            <th>Licence</th>
          </tr>
        </thead>
        <tbody>
          {shipped.map((item) => (
            <tr key={item.name} className="border-t border-rule">
              <td className="py-1">{item.name}</td>
              <td className="figure">{item.version}</td>
              <td>{item.licence}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
