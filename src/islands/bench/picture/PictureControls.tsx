import { Maximize2 } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Scene } from '../../../core/present/index.js';
import { useBench } from '../context.js';
import { openShare, opensWith, SIDES, type Side, toggled } from './looks.js';

const CUTS = { none: 'no cut', 0: 'across the width', 1: 'across the depth', 2: 'across the height' } as const;

/** What can be done with the picture: from where it is seen, open, apart, cut, alone, through. */
export function PictureControls({ scene, steps, onFit }: { scene: Scene; steps: number; onFit: () => void }) {
  const look = useBench((state) => state.picture);
  const setLook = useBench((state) => state.lookAt);
  const selected = useBench((state) => state.selected);
  const opens = opensWith(scene, selected);
  const chosen = scene.parts.some(({ key }) => key === selected);
  const { cut } = look;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-sheet-edge px-3 py-1.5">
      <label className="flex items-center gap-1.5">
        From
        <select
          className="entry"
          value={look.from}
          onChange={(event) => setLook({ from: event.currentTarget.value as Side })}
        >
          {(Object.keys(SIDES) as Side[]).map((side) => (
            <option key={side} value={side}>
              {SIDES[side].label}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="act act-bare" onClick={onFit}>
        <Maximize2 size={15} aria-hidden="true" /> Fit
      </button>
      {scene.openers.length > 0 && (
        <Slider
          label="Open"
          most={1}
          step={0.01}
          value={look.open}
          said={`${Math.round(look.open * 100)} %`}
          onChange={(open) => setLook({ open, opened: {} })}
        />
      )}
      {opens !== undefined && (
        <button type="button" className="act" onClick={() => setLook(toggled(look, opens))}>
          {openShare(look, opens) > 0.5 ? 'Shut it' : 'Open it'}
        </button>
      )}
      {steps > 0 && (
        <Slider
          label="Apart"
          most={steps}
          step={0.1}
          value={Math.min(look.apart, steps)}
          said={`${Math.round(Math.min(look.apart, steps))} of ${steps}`}
          onChange={(apart) => setLook({ apart })}
        />
      )}
      <label className="flex items-center gap-1.5">
        Cut
        <select
          className="entry"
          value={cut?.axis ?? 'none'}
          onChange={(event) => {
            const axis = event.currentTarget.value;
            setLook({ cut: axis === 'none' ? null : { axis: Number(axis) as 0 | 1 | 2, share: cut?.share ?? 0.5 } });
          }}
        >
          {Object.entries(CUTS).map(([axis, words]) => (
            <option key={axis} value={axis}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {cut && (
        <Slider
          label="at"
          most={1}
          step={0.005}
          value={cut.share}
          said={`${Math.round(cut.share * 100)} %`}
          onChange={(share) => setLook({ cut: { ...cut, share } })}
        />
      )}
      <Toggle pressed={look.through} onPress={(through) => setLook({ through })}>
        See through
      </Toggle>
      {chosen && (
        <Toggle pressed={look.alone} onPress={(alone) => setLook({ alone })}>
          Alone
        </Toggle>
      )}
    </div>
  );
}

function Slider({
  label,
  most,
  step,
  value,
  said,
  onChange,
}: {
  label: string;
  most: number;
  step: number;
  value: number;
  said: string;
  onChange: (value: number) => void;
}) {
  return (
    <label className="flex items-center gap-1.5">
      {label}
      <input
        type="range"
        className="w-28 accent-pencil"
        min={0}
        max={most}
        step={step}
        value={value}
        aria-valuetext={said}
        onChange={(event) => onChange(Number(event.currentTarget.value))}
      />
    </label>
  );
}

function Toggle({
  pressed,
  onPress,
  children,
}: {
  pressed: boolean;
  onPress: (pressed: boolean) => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className="act aria-pressed:border-pencil aria-pressed:bg-pencil-pale"
      aria-pressed={pressed}
      onClick={() => onPress(!pressed)}
    >
      {children}
    </button>
  );
}
