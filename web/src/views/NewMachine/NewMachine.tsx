import { newShaft, type Change } from '@elder-cog/contract';
import { TEMPLATES, type Place, type TemplateName } from '@elder-cog/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState, type JSX, type KeyboardEvent } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { z } from 'zod';
import { Chip, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { ShaftFigure } from '../../kit/ShaftFigure.tsx';
import { useCommand, useJobReply } from '../../state/api.ts';
import { draftOf, useDrafts } from '../../state/drafts.ts';
import { newId } from '../../state/settings.ts';

const form = z.object({
  machine: z.string().trim().min(1, 'Give the machine a name: what you call it will do.').max(120, 'Shorter, please: 120 letters at most.'),
  year: z.string().trim().max(20, 'A year, or a few words.'),
  box: z.string().trim().min(1, 'Say which box it is, such as gearbox or transfer box.').max(120),
  shaft: z.string().trim().min(1, 'Say which shaft it is, such as input shaft.').max(120),
  template: z.enum(Object.keys(TEMPLATES) as [TemplateName, ...TemplateName[]]),
  place: z.string(),
  gasket: z.boolean(),
});
type Form = z.infer<typeof form>;

const typedForm = z
  .object({
    machine: z.string(),
    year: z.string(),
    box: z.string(),
    shaft: z.string(),
    template: form.shape.template,
    place: z.string(),
    gasket: z.boolean(),
  })
  .partial();

const BOXES = ['Gearbox', 'Transfer box', 'Final drive', 'Rear axle', 'Overdrive', 'Wheel hub'];
const SHAFTS = ['Input shaft', 'Layshaft', 'Output shaft', 'Idler shaft', 'Pinion shaft', 'Hub'];
const BY_NUT = /\b(?:hub|pinion|axle|wheel)\b/i;
/** Two tapers against each other: which way a shim goes depends on what draws them up. */
const OPPOSED: ReadonlySet<TemplateName> = new Set(['taperPair', 'hubByNut', 'pinionByNut', 'pinionBySleeve', 'intermediate']);
const PINIONS: ReadonlySet<TemplateName> = new Set(['pinionByNut', 'pinionBySleeve']);
const TEMPLATE_NAMES = Object.keys(TEMPLATES) as TemplateName[];

/** What stood half typed when the view was left. */
function halfDone(draft: string): Partial<Form> {
  const read = typedForm.safeParse(jsonOr(draftOf(draft)));
  return read.success ? (read.data as Partial<Form>) : {};
}
const jsonOr = (text: string): unknown => {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return {};
  }
};

/** A new machine with its first box and shaft; or, inside a job, another box or shaft. No dimension is asked for. */
export default function NewMachine(): JSX.Element {
  const { jobId } = useParams();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const { send, sending } = useCommand();
  const existing = useJobReply(jobId ?? '');
  const facts = jobId ? existing.data?.facts : undefined;
  const box = facts?.assemblies.find((a) => a.id === search.get('box'));
  const sheet = useRef<HTMLFormElement>(null);
  const draft = `new machine ${jobId ?? ''}`;
  const { register, handleSubmit, watch, setValue, formState } = useForm<Form>({
    resolver: zodResolver(form),
    defaultValues: {
      machine: facts?.job.machine ?? '',
      year: '',
      box: box?.name ?? 'Gearbox',
      shaft: 'Input shaft',
      template: 'taperPair',
      place: 'underCover',
      gasket: false,
      ...halfDone(draft),
    },
  });
  const { template, place, box: boxName, shaft: shaftName } = watch();
  // which places there are follows from the arrangement: it is held by its value, and not by the radios that come and go
  useEffect(() => void register('place'), [register]);
  const put = useDrafts((s) => s.put);
  useEffect(() => {
    const watching = watch((typed, { type, name }) => (type === 'change' || name === 'place') && put(draft, JSON.stringify(typed)));
    return () => watching.unsubscribe();
  }, [watch, put, draft]);
  const [answered, setAnswered] = useState(false);
  /** Another arrangement begins with its own usual place for the shim. */
  const putShim = (of: TemplateName): void => setValue('place', TEMPLATES[of].places[0]?.place ?? 'inLine');
  const choose = (to: TemplateName): void => {
    setValue('template', to);
    putShim(to);
  };
  const isOpposed = OPPOSED.has(template);
  const drawn = template === 'taperPair' ? 'cover' : 'nut';
  // what is drawn up by a nut as often as not is asked about before it is taken for closed by a cover
  const isAsked = template === 'taperPair' && !answered && BY_NUT.test(`${boxName} ${shaftName}`);
  const [mirror, setMirror] = useState<string | null>(null);
  const choice = TEMPLATES[template];
  useEffect(() => {
    if (facts) setValue('machine', facts.job.machine);
  }, [facts, setValue]);

  const isNewBox = facts !== undefined && !facts.assemblies.some((a) => a.name.toLowerCase() === boxName.trim().toLowerCase());
  const others = isNewBox ? facts.assemblies : [];
  const make = async (entry: Form, withShaft = true): Promise<void> => {
    const at = new Date().toISOString();
    const job = jobId ?? newId();
    const same = facts?.assemblies.find((a) => a.name.toLowerCase() === entry.box.toLowerCase());
    const assemblyId = same?.id ?? newId();
    const shaft = newShaft({
      assemblyId,
      name: entry.shaft,
      template: entry.template,
      place: entry.place as Place,
      gasket: entry.gasket && TEMPLATES[entry.template].gasket === true,
      position: facts?.shafts.length ?? 0,
      newId,
    });
    const assembly = {
      id: assemblyId,
      jobId: job,
      name: entry.box,
      kind: 'box',
      position: facts?.assemblies.length ?? 0,
      mirrorOf: others.some((a) => a.id === mirror) ? mirror : null,
      cameApart: false,
    };
    const { kind: _, ...whole } = shaft;
    const changes: Change[] = jobId
      ? [...(same ? [] : [{ kind: 'assembly.create' as const, assembly }]), ...(withShaft ? [shaft] : [])]
      : [
          {
            kind: 'job.begin',
            job: { id: job, machine: entry.machine, year: entry.year, note: '', createdAt: at, archivedAt: null },
            assemblies: [assembly],
            shafts: withShaft ? [whole] : [],
            limits: [],
            builds: [],
            readings: [],
          },
        ];
    try {
      await send(...changes);
    } catch {
      return; // the title block says why; the form keeps what was typed
    }
    put(draft, '');
    void navigate(withShaft ? `/jobs/${job}/section?shaft=${shaft.shaft.id}` : `/jobs/${job}/strip`);
  };

  /** Enter commits a field and goes on to the next; on the last it makes the machine. */
  const onEnter = (event: KeyboardEvent<HTMLFormElement>): void => {
    if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
    event.preventDefault();
    const stops = [...(sheet.current?.querySelectorAll<HTMLElement>('[data-stop]') ?? [])];
    const at = stops.findIndex((stop) => stop === event.target || stop.contains(event.target as Node));
    const next = stops[at + 1];
    const focusable = next?.matches('input, button')
      ? next
      : (next?.querySelector<HTMLElement>('input:checked') ?? next?.querySelector<HTMLElement>('input'));
    focusable?.focus();
    if (focusable instanceof HTMLInputElement && focusable.type === 'text') focusable.select();
  };

  const text = (name: 'machine' | 'year' | 'box' | 'shaft', label: string, placeholder: string, list?: readonly string[]): JSX.Element => (
    <div>
      <label htmlFor={name} className="label text-[17px] font-semibold">
        {label}
      </label>
      <input
        id={name}
        data-stop
        type="text"
        autoComplete="off"
        list={list ? `${name}-list` : undefined}
        placeholder={placeholder}
        aria-invalid={formState.errors[name] ? true : undefined}
        aria-describedby={`${name}-says`}
        {...register(name)}
        autoFocus={name === (jobId ? 'box' : 'machine')}
        className="mt-1 h-14 w-full border border-edge bg-sheet px-3 text-[20px]"
      />
      {list && (
        <datalist id={`${name}-list`}>
          {list.map((item) => (
            <option key={item} value={item} />
          ))}
        </datalist>
      )}
      <div id={`${name}-says`} className="min-h-6">
        {formState.errors[name] && <Refusal>{formState.errors[name].message}</Refusal>}
      </div>
    </div>
  );

  return (
    <form
      ref={sheet}
      onKeyDown={onEnter}
      onSubmit={(event) => void handleSubmit((entry) => make(entry))(event)}
      className="grid gap-x-8 px-5 py-4 lg:grid-cols-[380px_minmax(0,1fr)] lg:grid-rows-[auto_1fr]"
    >
      <div>
        <h1 className="label m-0 mb-2 text-[22px] font-semibold">{jobId ? `Add to the ${facts?.job.machine ?? 'machine'}` : 'New machine'}</h1>
        {!jobId && (
          <div className="grid grid-cols-[1fr_100px] gap-3">
            {text('machine', 'Machine', 'like hay baler')}
            {text('year', 'Year', '1938')}
          </div>
        )}
        {text('box', 'Box', 'gearbox, axle, final drive', BOXES)}
        {others.length > 0 && (
          <div role="group" aria-label="The other side of" className="mb-2 flex flex-wrap items-center gap-2">
            <span className="text-ink2">It is the other side of</span>
            <Chip on={mirror === null} onClick={() => setMirror(null)}>
              none
            </Chip>
            {others.map((other) => (
              <Chip key={other.id} on={mirror === other.id} onClick={() => setMirror(other.id)}>
                {other.name}
              </Chip>
            ))}
          </div>
        )}
        {text('shaft', 'Shaft', 'input shaft, layshaft', SHAFTS)}
      </div>
      <div className="min-w-0 max-lg:mt-4 lg:col-start-2 lg:row-span-2 lg:row-start-1">
        <fieldset data-stop className="m-0 border-0 p-0">
          <legend className="label p-0 text-[17px] font-semibold">What is it?</legend>
          <div className="grid grid-cols-4 gap-2 max-xl:grid-cols-3 max-sm:grid-cols-1">
            {TEMPLATE_NAMES.map((each) => (
              <label
                key={each}
                className={`grid min-h-14 cursor-pointer content-start gap-1 border p-2 max-sm:grid-cols-[120px_minmax(0,1fr)] max-sm:items-center ${template === each ? 'border-2 border-blue bg-sheet' : 'border-edge'}`}
              >
                <ShaftFigure origin={each} place={template === each ? (place as Place) : null} width="100%" height={66} />
                <span className="flex items-start gap-2">
                  <input
                    type="radio"
                    value={each}
                    // the field is one for all of them: which was chosen, the event says
                    {...register('template', { onChange: (event: { target: { value: TemplateName } }) => putShim(event.target.value) })}
                    checked={template === each}
                    className="h-5 w-5 shrink-0 accent-blue"
                  />
                  <span className="leading-5 font-medium">{TEMPLATES[each].title}</span>
                </span>
              </label>
            ))}
          </div>
          <p aria-live="polite" className="m-0 mt-1 text-ink2">
            {choice.title}: {choice.says}. No dimension is needed; what is not measured is drawn dashed.
          </p>
        </fieldset>
        {isOpposed && (
          <div role="group" aria-label="What draws the bearings up?" className="mt-2 flex flex-wrap items-center gap-2">
            <span>Is the bearing pushed in, or drawn up?</span>
            <Chip
              on={!isAsked && drawn === 'cover'}
              onClick={() => {
                setAnswered(true);
                if (template !== 'taperPair') choose('taperPair');
              }}
            >
              in, by a cover
            </Chip>
            <Chip
              on={drawn === 'nut'}
              onClick={() => {
                setAnswered(true);
                if (template === 'taperPair') choose(/pinion/i.test(shaftName) ? 'pinionByNut' : 'hubByNut');
              }}
            >
              up, by a nut
            </Chip>
          </div>
        )}
        {PINIONS.has(template) && (
          <div role="group" aria-label="What is between its cones?" className="mt-2 flex flex-wrap items-center gap-2">
            <span>Does its nut stop hard, or crush a sleeve?</span>
            <Chip on={template === 'pinionByNut'} onClick={() => choose('pinionByNut')}>
              stops hard: shims
            </Chip>
            <Chip on={template === 'pinionBySleeve'} onClick={() => choose('pinionBySleeve')}>
              crushes a sleeve, once
            </Chip>
          </div>
        )}
      </div>
      <div className="min-w-0 lg:col-start-1">
        <fieldset data-stop={choice.places.length > 1 ? true : undefined} className={`m-0 border-0 p-0 ${choice.places.length > 0 ? '' : 'hidden'}`}>
          <legend className="label p-0 text-[17px] font-semibold">{PINIONS.has(template) ? 'Where is the depth shim?' : 'Where is the shim?'}</legend>
          <div className="flex flex-wrap gap-2">
            {choice.places.map((each) => (
              <label
                key={each.place}
                className={`flex min-h-14 cursor-pointer items-center gap-3 border px-4 ${place === each.place ? 'border-2 border-brass-text bg-sheet' : 'border-edge'}`}
              >
                <input
                  type="radio"
                  value={each.place}
                  {...register('place')}
                  checked={place === each.place}
                  className="h-5 w-5 shrink-0 accent-blue"
                />
                {each.says}
              </label>
            ))}
          </div>
        </fieldset>
        {choice.gasket && (
          <label className="mt-2 flex min-h-14 cursor-pointer items-center gap-3">
            <input data-stop type="checkbox" {...register('gasket')} className="h-6 w-6 accent-blue" /> a gasket lies under the cover as well
          </label>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <Primary data-stop type="submit" enter disabled={sending || isAsked}>
            {jobId ? 'Add it' : 'Put it on the shelf'}
          </Primary>
          <Secondary disabled={sending} onClick={() => void handleSubmit((entry) => make(entry, false))()}>
            Only the box, for now
          </Secondary>
        </div>
      </div>
    </form>
  );
}
