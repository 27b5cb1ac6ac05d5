import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, asProblem, newKey, type ApiProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { FormRow } from '../../trade/FormRow';
import { Choice } from '../../ui/fields';
import { Failure, Loading, Trouble } from '../../ui/States';
import { whenText } from '../../ui/time';
import { OwnMesh } from './OwnMesh';

type Piece = Schemas['PracticePiece'];

/** Free practice: the shelf of forms, a mesh of one's own, and what was begun before. */
export function Practice() {
  const practice = useQuery(queries.practice());
  const [profile, setProfile] = useState('All quads');
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const navigate = useNavigate();
  const client = useQueryClient();
  if (practice.error && !practice.data) {
    return <Failure error={practice.error} onRetry={() => void practice.refetch()} />;
  }
  if (!practice.data) return <Loading stage="Looking up the shelf" />;
  const { forms, pieces, profiles, units } = practice.data;

  const go = (piece: Piece) => {
    void client.invalidateQueries(queries.practice());
    // What takes long to read stands among the pieces until it is read.
    if (piece.stage === 'ready') void navigate(`/practice/${piece.id}`);
  };
  const begin = async (form: string) => {
    setProblem(null);
    try {
      go(await api.beginPractice(form, profile, newKey()));
    } catch (e) {
      setProblem(asProblem(e));
    }
  };

  return (
    <div className="mx-auto max-w-[1180px] px-6 py-6">
      <h1 className="text-[22px] leading-7 font-semibold">Practice</h1>
      <p className="text-ink2">Cut freely: nothing is handed in, and every step is kept.</p>
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)_380px] gap-x-10 gap-y-8 max-lg:grid-cols-1">
        <section aria-labelledby="shelf">
          <h2 id="shelf" className="border-b border-ink pb-2 text-[16px] font-semibold">
            Begin with a form
          </h2>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-x-4">
            {forms.map((form) => (
              <FormRow key={form.form} form={form} hasAbout onChoose={(name) => void begin(name)} />
            ))}
          </ul>
          {problem && <Trouble title={problem.title}>{problem.message}</Trouble>}
        </section>
        <section aria-labelledby="own">
          <h2 id="own" className="border-b border-ink pb-2 text-[16px] font-semibold">
            Or with a mesh of your own
          </h2>
          <OwnMesh units={units} profile={profile} onBegun={go} />
          <h3 className="mt-6 mb-2 font-semibold">The check runs as for</h3>
          <Choice
            label="Check profile"
            value={profile}
            options={profiles.map((p) => [p, p] as const)}
            onChange={setProfile}
          />
        </section>
      </div>
      <Pieces pieces={pieces} />
    </div>
  );
}

/** What was begun before, to be taken up again or put away. */
function Pieces({ pieces }: { pieces: readonly Piece[] }) {
  const client = useQueryClient();
  const [away, setAway] = useState<Piece | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const keep = async (piece: Piece, inSight: boolean) => {
    setProblem(null);
    try {
      await api.keepPractice(piece.id, inSight);
      setAway(inSight ? null : piece);
      await client.invalidateQueries(queries.practice());
    } catch (e) {
      setProblem(asProblem(e));
    }
  };
  if (pieces.length === 0 && !away) return null;
  return (
    <section aria-labelledby="begun" className="mt-9">
      <h2 id="begun" className="border-b border-ink pb-2 text-[16px] font-semibold">
        Begun before
      </h2>
      {away && (
        <p
          role="status"
          className="flex items-center gap-4 border-b border-rule bg-shoal1 px-3 py-2"
        >
          {away.title} is put away.
          <Button size="small" onClick={() => void keep(away, true)}>
            Bring it back
          </Button>
        </p>
      )}
      {problem && <Trouble title={problem.title}>{problem.message}</Trouble>}
      <ul>
        {pieces.map((piece) => (
          <li
            key={piece.id}
            className="grid grid-cols-[84px_minmax(0,1fr)_auto] items-center gap-4 border-b border-rule py-2.5"
          >
            {piece.stage === 'ready' ? (
              <img
                src={api.practicePicture(piece.id)}
                width={84}
                height={50}
                alt=""
                className="bg-sea"
              />
            ) : (
              <span className="h-[50px] w-[84px] bg-sea" />
            )}
            <div className="min-w-0">
              <p className="truncate font-semibold">{piece.title}</p>
              <p className="condensed text-[13px] text-ink2" role="status">
                {piece.stage === 'reading' && 'Its file is being read. It can be cut after that.'}
                {piece.stage === 'failed' && piece.problem?.detail}
                {piece.stage === 'ready' &&
                  `Begun ${whenText(piece.begunAt)}, in ${piece.unit}, checked as ${piece.profile}`}
              </p>
            </div>
            <div className="flex gap-2.5">
              <Button onClick={() => void keep(piece, false)}>Put away</Button>
              {piece.stage === 'ready' && (
                <Link
                  className="inline-flex h-8 items-center rounded-ctl border border-ctl bg-sheet px-3 font-medium hover:border-ink hover:bg-shoal1"
                  to={`/practice/${piece.id}`}
                >
                  Carry on cutting
                </Link>
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
