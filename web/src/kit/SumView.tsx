import { formatLength, type LengthUnit, type Length, type Sum } from '@elder-cog/core';
import type { JSX } from 'react';

/** The working, line by line, as it would be written on card. The last line is the answer. */
export function SumView({ sum, unit, answerAt }: { sum: Sum; unit: LengthUnit; answerAt?: number }): JSX.Element {
  const answer = answerAt ?? sum.length - 1;
  return (
    <table className="w-full border-collapse text-[16px]">
      <tbody>
        {sum.map((line, i) => (
          <tr key={i} className={i === answer ? 'border-t border-ink font-semibold' : ''}>
            <th scope="row" className="py-0.5 pr-2 text-left font-normal text-ink2">
              {line.label}
              {line.expression !== '' && <span className="block text-[14px] leading-5">{line.expression}</span>}
            </th>
            <td className={`num py-0.5 text-right align-bottom whitespace-nowrap ${i === answer ? 'text-[20px] font-semibold' : 'text-[17px]'}`}>
              {line.unit === 'nm' ? formatLength(line.value as Length, unit) : line.value.toFixed(2)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
