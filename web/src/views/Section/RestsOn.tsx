import { spoils, type RestItem } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';

/** "bolts torqued", "new gasket", "dial": as short as it can be said. */
const restWords = ({ item, name }: RestItem, answer: string): string => {
  if (item === 'dial') return answer === 'square' ? 'dial' : `dial ${answer}`;
  const noun = name.toLowerCase().split(' ').at(-1) ?? '';
  const saysItself = answer.includes(noun.slice(0, 4)) || item === 'turned';
  return saysItself ? answer : `${noun} ${answer}`;
};

/** What a reading rests on: what was said stands in a line, and what must be said is asked. */
export function RestsOn({
  items,
  said,
  changing,
  onChange,
  onAnswer,
}: {
  items: readonly RestItem[];
  said: (item: RestItem) => string | null;
  changing: string | null;
  onChange: (item: string | null) => void;
  onAnswer: (item: RestItem, answer: string) => void;
}): JSX.Element {
  const [more, setMore] = useState(false);
  const known = items.filter((item) => said(item) !== null && changing !== item.item);
  const open = items.filter((item) => changing === item.item || (said(item) === null && (item.asked || more)));
  const unsaid = items.some((item) => said(item) === null && !item.asked);
  return (
    <div className="mb-2">
      {known.length > 0 && (
        <p className="m-0 flex flex-wrap items-center gap-x-2.5 text-[15px]">
          {unsaid ? (
            <button
              type="button"
              onClick={() => setMore((m) => !m)}
              aria-expanded={more}
              aria-label={more ? 'Less that it rests on' : 'More that it rests on: seated, turned, moved'}
              className="min-h-12 text-blue"
            >
              Rests on ▸
            </button>
          ) : (
            <span className="text-ink2">Rests on</span>
          )}
          {known.map((item) => (
            <button
              key={item.item}
              type="button"
              onClick={() => onChange(item.item)}
              aria-label={`${item.name}: ${said(item) ?? ''}. Change`}
              className="min-h-12 whitespace-nowrap"
            >
              {restWords(item, said(item) ?? '')}{' '}
              {spoils(item.item, said(item)) ? <span className="font-semibold text-tight">!</span> : <span className="text-good">✓</span>}
            </button>
          ))}
        </p>
      )}
      {open.map((item) => (
        <div key={item.item} role="group" aria-label={`${item.name}?`} className="grid grid-cols-[92px_minmax(0,1fr)] items-center gap-2 py-1">
          <span className="leading-5">
            {item.name}?{item.lapsed && <span className="block text-[14px] leading-4 text-ink2">changed since</span>}
          </span>
          <span className="flex flex-wrap gap-2">
            {item.answers.map((choice, i) => (
              <Chip key={choice} id={`rest-${item.item}-${i}`} on={said(item) === choice} onClick={() => onAnswer(item, choice)}>
                {choice}
              </Chip>
            ))}
          </span>
        </div>
      ))}
    </div>
  );
}
