import { t } from '../../words/index.ts';
import type { ArtFigures, PrintProcess } from '@saltflat/core/artwork';
import { WHITE_PRESETS, defaultUnderbase } from '@saltflat/core/artwork';
import { formatQuantity } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { useState } from 'react';
import type { ArtDraft } from './useArtDraft.ts';
import { Button, Pressable, Row, SliderField, Stack } from '../../ui/index.ts';

interface Props {
  process: PrintProcess;
  draft: ArtDraft;
  figures: ArtFigures | null;
  system: UnitSystem;
  onChange: (part: Partial<ArtDraft>, kind: string) => void;
}

/** White under the colour: house presets, then every knob. */
export function WhitePanel({ process, draft, figures, system, onChange }: Props) {
  const [isWhy, setWhy] = useState(false);
  if (process === 'dtg-light' || process === 'sub') {
    return (
      <p style={{ padding: '12px 16px' }}>
        {process === 'sub'
          ? t('Sublimation ink has no white: what is white or light in the art becomes the garment’s colour.')
          : t('No white is printed on a light garment.')}
      </p>
    );
  }
  const own = { ...defaultUnderbase(process), ...draft.white };
  const fine = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 2 : 3);
  const percent = (value: number): string => formatQuantity(value, 'share');
  const white = (part: ArtDraft['white'], kind: string): void =>
    onChange({ white: { ...draft.white, ...part } }, kind);
  const isDirect = process === 'dtg-dark';
  const presets = WHITE_PRESETS[process].map((preset) => {
    const { chokeMm = draft.chokeMm, density = draft.density, highlight } = preset.underbase;
    const isOn =
      chokeMm === draft.chokeMm &&
      density === draft.density &&
      (highlight ?? own.highlight) === own.highlight;
    const all = highlight === undefined ? draft.white : { ...draft.white, highlight };
    return { ...preset, isOn, part: { chokeMm, density, white: all } };
  });
  const chosen = presets.find(({ isOn }) => isOn);
  return (
    <Stack pad="14px 16px">
      <Row gap={6} role="group" aria-label={t('House presets')}>
        {presets.map(({ name, tradeOff, isOn, part }) => (
          <Button
            look={isOn ? 'primary' : 'second'}
            key={name}
            size="small"
            isPressed={isOn}
            title={t(tradeOff)}
            onClick={() => onChange(part, '')}
          >
            {t(name)}
          </Button>
        ))}
      </Row>
      <p className="muted small">
        {chosen ? t(chosen.tradeOff) : t('Your own setting: none of the house presets.')}
      </p>
      <SliderField
        label={t('Density')}
        shown={percent(draft.density)}
        min={0.3}
        max={1}
        step={0.01}
        value={draft.density}
        onChange={(density) => onChange({ density }, 'density')}
        hint={t('More hides better; less feels lighter and dries sooner.')}
      />
      <SliderField
        label={t('Choke')}
        shown={fine(draft.chokeMm)}
        min={0}
        max={0.6}
        step={0.01}
        value={draft.chokeMm}
        onChange={(chokeMm) => onChange({ chokeMm }, 'choke')}
      />
      <div>
        <Pressable look="words" isExpanded={isWhy} onClick={() => setWhy(!isWhy)}>
          {t('Why this choke')}
        </Pressable>
        {isWhy && <p className="small">{chokeReason(draft.chokeMm, process, figures, system)}</p>}
      </div>
      <SliderField
        label={t('Smallest dot')}
        shown={percent(own.minDot)}
        min={0}
        max={0.3}
        step={0.01}
        value={own.minDot}
        onChange={(minDot) => white({ minDot }, 'dot')}
        hint={t('Thinner white is not laid: single droplets do not hold.')}
      />
      {isDirect && (
        <>
          <SliderField
            label={t('White begins')}
            shown={t('{distance} from the garment’s colour', { distance: own.nearGarment.from })}
            min={0}
            max={20}
            step={0.5}
            value={own.nearGarment.from}
            onChange={(from) =>
              white({ nearGarment: { from, to: Math.max(own.nearGarment.to, from + 1) } }, 'near')
            }
          />
          <SliderField
            label={t('White is full')}
            shown={t('{distance} from it', { distance: own.nearGarment.to })}
            min={1}
            max={40}
            step={0.5}
            value={own.nearGarment.to}
            onChange={(to) =>
              white({ nearGarment: { from: Math.min(own.nearGarment.from, to - 1), to } }, 'near')
            }
            hint={t('Difference to the eye: 1 is just visible. Colours near the garment’s need less white.')}
          />
          <SliderField
            label={t('Second white')}
            shown={own.highlight === 0 ? t('none') : percent(own.highlight)}
            min={0}
            max={1}
            step={0.05}
            value={own.highlight}
            onChange={(highlight) => white({ highlight }, 'highlight')}
            hint={t('A second hit under what is light and nearly grey, after a pause to dry.')}
          />
        </>
      )}
    </Stack>
  );
}

function chokeReason(
  chokeMm: number,
  process: PrintProcess,
  figures: ArtFigures | null,
  system: UnitSystem,
): string {
  const usual = defaultUnderbase(process).chokeMm;
  const fine = (value: number): string =>
    formatQuantity(value, 'length', system, system.length === 'mm' ? 2 : 3);
  const start = { usual: fine(usual) };
  const sentences = [
    process === 'dtf'
      ? t(
          'On film the white lies on top of the colour and shifts little, so a little is enough: {usual} is a usual start.',
          start,
        )
      : t(
          'On fabric wet white spreads before the colour falls on it, so it has to stay further inside: {usual} is a usual start.',
          start,
        ),
    ...(chokeMm < usual ? [t('Less than that: a white rim may show.')] : []),
    ...(chokeMm > usual ? [t('More than that: edges may look dark.')] : []),
    ...(figures
      ? [
          t('Here it is {px} px; {share} % of the art is too thin to keep any white under it.', {
            px: figures.white.chokePx.toFixed(1),
            share: (100 * figures.white.chokeLostShare).toFixed(2),
          }),
        ]
      : []),
  ];
  return sentences.join(' ');
}
