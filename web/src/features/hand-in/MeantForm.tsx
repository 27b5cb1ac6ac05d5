import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/fields';

type Question = Schemas['Question'];
type Meant = Schemas['MeantAs'];

const UPS = [
  ['z', 'Z'],
  ['y', 'Y'],
] as const;

interface Props {
  question: Question;
  onAnswer: (meant: Meant) => void;
  onStop: () => void;
}

/** Asks how the numbers of a file are meant, and shows how large it is then. */
export function MeantForm({ question, onAnswer, onStop }: Props) {
  const guess = question.choices[question.guess]!;
  const [unit, setUnit] = useState(guess.unit);
  const [up, setUp] = useState(guess.up);
  const units = [...new Set(question.choices.map((c) => c.unit))];
  const meant = question.choices.find((c) => c.unit === unit && c.up === up) ?? guess;
  return (
    <div data-testid="meant">
      <p className="mb-3">
        This file is not as large as the starter. A mesh file does not say in which unit it is: how
        is it meant?
      </p>
      <div className="space-y-2">
        <Row name="Its lengths are in">
          <Choice
            label="Unit"
            value={unit}
            options={units.map((u) => [u, u] as const)}
            onChange={setUnit}
          />
        </Row>
        <Row name="The axis that points upwards">
          <Choice label="Upwards" value={up} options={UPS} onChange={setUp} />
        </Row>
      </div>
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1 border-y border-rule py-3">
        <dt className="text-ink2">It is then</dt>
        <dd className="font-semibold" data-testid="size">
          {sizeOf(meant.size, question.unit)}
        </dd>
        <dt className="text-ink2">The starter is</dt>
        <dd>{sizeOf(question.starter, question.unit)}</dd>
      </dl>
      <div className="mt-4 flex gap-2">
        <Button look="main" onClick={() => onAnswer(meant)}>
          Hand in at this size
        </Button>
        <Button onClick={onStop}>Don&rsquo;t hand in</Button>
      </div>
    </div>
  );
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-4">
      <span>{name}</span>
      {children}
    </div>
  );
}

function sizeOf({ x, y, z }: Schemas['Vec3'], unit: string): string {
  return `${[x, y, z].map(rounded).join(' × ')} ${unit}`;
}

function rounded(value: number): string {
  return Number(value.toPrecision(4)).toLocaleString('en');
}
