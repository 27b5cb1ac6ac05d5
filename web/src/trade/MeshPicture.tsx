import { api } from '../api/client';

const SIZES = { row: [88, 52], sheet: [264, 156] } as const;

interface Props {
  submission: string;
  size: keyof typeof SIZES;
  of: string;
  /** Whose marks it shows. */
  report: number;
}

/** A handed-in mesh with its marks, as the server draws it: the same everywhere. */
export function MeshPicture(props: Props) {
  const [width, height] = SIZES[props.size];
  return (
    <img
      src={api.picture(props.submission, props.size, props.report)}
      width={width}
      height={height}
      alt={`Picture of ${props.of}, with its marks`}
      loading="lazy"
      className="bg-sea"
    />
  );
}

/** The starter of an exercise, as large as the row of a list has room for. */
export function StarterPicture({ assignment, of }: { assignment: string; of: string }) {
  const [width, height] = SIZES.row;
  return (
    <img
      src={api.starterPicture(assignment)}
      width={width}
      height={height}
      alt={`Picture of the starter of ${of}`}
      loading="lazy"
      className="bg-sea"
    />
  );
}
