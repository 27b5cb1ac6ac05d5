import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { chooseCourse } from '../../trade/useCourse';
import { ClassForm, NEW_CLASS } from './ClassForm';

/** A class is made, and is the one at hand from then on. */
export function NewClass() {
  const client = useQueryClient();
  const navigate = useNavigate();
  return (
    <section className="mx-auto max-w-[480px] px-5 pt-5 pb-10">
      <h1 className="mb-5 border-b border-ink pb-3.5 text-[22px] leading-7 font-semibold">
        A new class
      </h1>
      <ClassForm
        begin={NEW_CLASS}
        does="Make the class"
        onSave={async (info) => {
          const { id } = await api.makeClass(info);
          await client.invalidateQueries({ queryKey: ['me'] });
          chooseCourse(id);
          void navigate('/people');
        }}
      />
    </section>
  );
}
