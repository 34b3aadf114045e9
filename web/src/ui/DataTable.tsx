/** The heads of a table and its lines. */
export interface Rows {
  heads: string[];
  lines: (string | number)[][];
}

/** Figures in a table. */
export function DataTable({ caption, rows }: { caption: string; rows: Rows }) {
  return (
    <div className="mt-2 overflow-x-auto">
      <table className="w-full border-y border-rule text-left">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr className="text-soft">
            {rows.heads.map((head) => (
              <th key={head} scope="col" className="py-1.5 pr-6 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="font-mono">
          {rows.lines.map((line, i) => (
            <tr key={i} className="border-t border-rule">
              {line.map((cell, j) => (
                <td key={j} className="py-1.5 pr-6">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
