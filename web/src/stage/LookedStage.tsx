import type { ComponentProps } from 'react';
import { LensSpots } from './LensLegend';
import { Stage } from './Stage';
import type { Looking } from './useLooking';

type StageProps = ComponentProps<typeof Stage>;

interface Props extends Omit<StageProps, 'mesh' | 'lens' | 'version' | 'onReady'> {
  looking: Looking;
  /** Counts the states of a mesh that changes. */
  version?: number;
  onReady?: StageProps['onReady'];
}

/** The stage with what the lens makes of the mesh and says of it. */
export function LookedStage({ looking, version = 0, ...rest }: Props) {
  const { looked, lens, setStage } = looking;
  return (
    <Stage
      {...rest}
      mesh={looked.mesh}
      version={version}
      lens={lens}
      onReady={(view) => {
        setStage(view);
        rest.onReady?.(view);
      }}
      onHover={(at) => {
        rest.onHover?.(at);
        looking.follow(at);
      }}
      drawing={
        <>
          <LensSpots looked={looked} unit={rest.unit} />
          {rest.drawing}
        </>
      }
    >
      {rest.children}
    </Stage>
  );
}
