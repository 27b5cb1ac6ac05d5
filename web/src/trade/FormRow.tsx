import { api, type Schemas } from '../api/client';
import { counted } from '../ui/time';

/** A form of the shelf to begin with: its picture, its name, how large it is. */
export function FormRow(props: {
  form: Schemas['FormView'];
  /** Whether it is said what to practise on it. */
  hasAbout?: boolean;
  disabled?: boolean;
  onChoose: (form: string) => void;
}) {
  const { form } = props;
  return (
    <li className="border-b border-rule">
      <button
        type="button"
        disabled={props.disabled}
        className="grid w-full grid-cols-[84px_minmax(0,1fr)] items-center gap-3 py-2.5 text-left hover:bg-shoal1"
        onClick={() => props.onChoose(form.form)}
      >
        <img src={api.formPicture(form.form)} width={84} height={50} alt="" className="bg-sea" />
        <span>
          <span className="block font-semibold">{form.title}</span>
          {props.hasAbout && <span className="block text-[13px] text-ink2">{form.about}</span>}
          <span className="condensed block text-[13px] text-ink2">
            {counted(form.faces, 'face')}
          </span>
        </span>
      </button>
    </li>
  );
}
