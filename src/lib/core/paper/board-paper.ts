import { ridesInWords, untilInWords, workInWords, type BoardRow } from '../readiness/board';
import { showDay, type Day } from '../time/day';
import { box, strong, type Cell, type Paper } from './paper';

/** Who may ride, for the wall of the tent: what keeps a machine off stands in words, not in colour. */
export function boardPaper(b: {
  team: string;
  today: Day;
  event: { name: string; firstDay: Day } | null;
  rows: readonly BoardRow[];
}): Paper {
  return {
    title: 'Who may ride',
    machine: null,
    under: [
      b.event
        ? `${b.event.name}, ${showDay(b.event.firstDay, b.today)}: ${untilInWords(b.event.firstDay, b.today)}`
        : 'No outing is planned: as the fleet stands.',
      `${b.team} · ${showDay(b.today, b.today)} · ${ridesInWords(b.rows)}`
    ],
    opens: '/board',
    blocks: [
      {
        kind: 'table',
        head: ['', 'Machine', 'Rider', 'Stands', 'Keeps it off, or is to be done', 'Work'],
        widths: [0, 3, 2, 0, 5, 0],
        rows: b.rows.map((r): Cell[] => [
          box(r.readiness.ready),
          { lines: [strong(r.plate), r.name] },
          r.rider ?? '',
          r.readiness.ready ? r.rides : strong(r.rides),
          {
            // Nothing unfolds on paper: every reason stands there.
            lines: r.readiness.reasons.map((x): Cell => (x.blocks ? strong(x.words) : x.words))
          },
          workInWords(r.readiness)
        ])
      },
      ...(b.rows.length === 0 ? [{ kind: 'words' as const, text: 'No machine goes.' }] : [])
    ]
  };
}
