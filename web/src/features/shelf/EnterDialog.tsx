import type { BoughtPacketInput, Material, ShelfPacketInput, ShelfPacketWhole } from '@saltflat/contract';
import type { Cure } from '@saltflat/core/shelf';
import { useMemo, useState } from 'react';
import { Controller } from 'react-hook-form';
import type { FieldValues } from 'react-hook-form';
import { FilledText, compiled, useFilled } from '../../form/index.ts';
import type { Filling } from '../../form/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import {
  Button,
  DateTimeField,
  Dialog,
  Note,
  NumberField,
  QuantityField,
  Refusal,
  Row,
  SelectField,
  Stack,
  SuggestField,
} from '../../ui/index.ts';
import { t } from '../../words/index.ts';

type Answer = Promise<{ data?: ShelfPacketWhole; error?: unknown }>;

interface Props {
  /** Kinds of transfers that are known, and suppliers. */
  materials: readonly Material[];
  by: string;
  /** Now, as the field for a day and hour writes it. */
  today: string;
  instantOf: (local: string) => string | null;
  /** Names of artworks that are like what is typed. */
  artworks: readonly string[];
  onSeek: (text: string) => void;
  onEnter: (packet: ShelfPacketInput) => Answer;
  onEnterBought: (packet: BoughtPacketInput) => Answer;
  onEntered: (id: string) => void;
  onClose: () => void;
}

/** Transfers come on the shelf: of a kind that is known, or the first of a kind from a supplier. */
export function EnterDialog(props: Props) {
  const kinds = props.materials.filter(({ kind }) => kind === 'shelf-transfer');
  const suppliers = props.materials.filter(({ kind }) => kind === 'bought-in');
  const [way, setWay] = useState<'known' | 'bought'>(kinds.length > 0 ? 'known' : 'bought');
  const ways = (
    <SelectField
      label={t('Transfers')}
      value={way}
      options={[
        { value: 'known', label: t('Of a kind that is on the shelf’s list'), disabled: kinds.length === 0 },
        { value: 'bought', label: t('New, from a supplier'), disabled: suppliers.length === 0 },
      ]}
      onChange={setWay}
    />
  );
  return way === 'known' ? (
    <KnownForm {...props} kinds={kinds} ways={ways} />
  ) : (
    <BoughtForm {...props} suppliers={suppliers} ways={ways} />
  );
}

interface Came {
  pieces: number | null;
  /** Local. */
  madeAt: string;
  cure: Cure;
  lot: string;
  note: string;
}
const cameAt = (today: string): Came => ({ pieces: null, madeAt: today, cure: 'full', lot: '', note: '' });

function KnownForm({
  kinds,
  ways,
  by,
  today,
  instantOf,
  onEnter,
  onEntered,
  onClose,
}: Props & { kinds: readonly Material[]; ways: React.ReactNode }) {
  const filling = useFilled<Came & { materialId: string }, ShelfPacketInput, ShelfPacketWhole>({
    filled: useMemo(
      () => ({
        check: compiled('shelf', 'packet'),
        documentOf: (values: Came & { materialId: string }) => ({
          ...values,
          madeAt: instantOf(values.madeAt) ?? '',
          lot: values.lot.trim(),
          note: values.note.trim(),
          by,
        }),
      }),
      [by, instantOf],
    ),
    values: { materialId: kinds[0]?.id ?? '', ...cameAt(today) },
    send: onEnter,
    onSent: ({ packet }) => onEntered(packet.id),
  });
  return (
    <EnterFrame filling={filling} onClose={onClose}>
      {ways}
      <Controller
        control={filling.form.control}
        name="materialId"
        render={({ field: { value, onChange } }) => (
          <SelectField
            label={t('Kind of transfer')}
            value={value}
            problem={filling.problems['/materialId']}
            options={kinds.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={onChange}
          />
        )}
      />
      <CameFields filling={filling} />
    </EnterFrame>
  );
}

type BoughtValues = Came & {
  supplierId: string;
  artwork: string;
  widthMm: number | null;
  centsEach: number | null;
};

function BoughtForm({
  suppliers,
  ways,
  by,
  today,
  instantOf,
  artworks,
  onSeek,
  onEnterBought,
  onEntered,
  onClose,
}: Props & { suppliers: readonly Material[]; ways: React.ReactNode }) {
  const units = useUnits();
  const filling = useFilled<BoughtValues, BoughtPacketInput, ShelfPacketWhole>({
    filled: useMemo(
      () => ({
        check: compiled('shelf', 'bought'),
        documentOf: (values: BoughtValues) => ({
          ...values,
          artwork: values.artwork.trim(),
          madeAt: instantOf(values.madeAt) ?? '',
          lot: values.lot.trim(),
          note: values.note.trim(),
          by,
        }),
      }),
      [by, instantOf],
    ),
    values: {
      supplierId: suppliers[0]?.id ?? '',
      artwork: '',
      widthMm: null,
      centsEach: null,
      ...cameAt(today),
    },
    send: onEnterBought,
    onSent: ({ packet }) => onEntered(packet.id),
  });
  const { control } = filling.form;
  const supplier = suppliers.find(({ id }) => id === filling.form.watch('supplierId'));
  const pieces = filling.form.watch('pieces');
  const minimum = Number(supplier?.properties.minimum ?? 0);
  return (
    <EnterFrame filling={filling} onClose={onClose}>
      {ways}
      <Controller
        control={control}
        name="supplierId"
        render={({ field: { value, onChange } }) => (
          <SelectField
            label={t('Supplier')}
            value={value}
            problem={filling.problems['/supplierId']}
            options={suppliers.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={onChange}
          />
        )}
      />
      <span className="muted small">
        {t('Pressed as its sheet among the materials says. Sold from {n} pieces, comes in {days} days.', {
          n: minimum,
          days: Number(supplier?.properties.leadDays ?? 0),
        })}
      </span>
      <Controller
        control={control}
        name="artwork"
        render={({ field: { value, onChange } }) => (
          <SuggestField
            label={t('Artwork, by its name')}
            value={value}
            suggestions={artworks}
            problem={filling.problems['/artwork']}
            onChange={(text) => {
              onSeek(text);
              onChange(text);
            }}
          />
        )}
      />
      <Row gap={10} align="start">
        <Controller
          control={control}
          name="widthMm"
          render={({ field: { value, onChange } }) => (
            <QuantityField
              label={t('Print, wide')}
              kind="length"
              system={units}
              value={value}
              problem={filling.problems['/widthMm']}
              onChange={onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="centsEach"
          render={({ field: { value, onChange } }) => (
            <NumberField
              label={t('Price each')}
              isMoney
              width={130}
              value={value}
              problem={filling.problems['/centsEach']}
              onChange={onChange}
            />
          )}
        />
      </Row>
      <CameFields filling={filling} />
      {pieces !== null && pieces > 0 && pieces < minimum && (
        <Note tone="caution">
          {t(
            'This supplier sells from {minimum} pieces: count these {n} again, or say in the note why there are fewer.',
            {
              minimum,
              n: pieces,
            },
          )}
        </Note>
      )}
    </EnterFrame>
  );
}

function EnterFrame<V extends FieldValues, D extends FieldValues>({
  filling,
  onClose,
  children,
}: {
  filling: Filling<V, D>;
  onClose: () => void;
  children: React.ReactNode;
}) {
  return (
    <Dialog
      title={t('Transfers come on the shelf')}
      onClose={onClose}
      onSubmit={filling.submit}
      actions={
        <>
          <Button look="quiet" onClick={onClose}>
            {t('Leave it')}
          </Button>
          <Button look="primary" type="submit" isBusy={filling.isSending}>
            {t('Put them on the shelf')}
          </Button>
        </>
      }
    >
      <Stack gap={14} pad="8px 0 0">
        {children}
        <Refusal words={filling.refusal} />
      </Stack>
    </Dialog>
  );
}

/** How many, since when, how far melted, of which lot. */
function CameFields<V extends Came & FieldValues, D extends FieldValues>({
  filling,
}: {
  filling: Filling<V, D>;
}) {
  // the fields are those of every packet, whatever else a form holds
  const own = filling as unknown as Filling<Came, D>;
  const { control } = own.form;
  return (
    <>
      <Row gap={10} align="start">
        <Controller
          control={control}
          name="pieces"
          render={({ field: { value, onChange } }) => (
            <NumberField
              label={t('How many')}
              width={120}
              value={value}
              problem={own.problems['/pieces']}
              onChange={onChange}
            />
          )}
        />
        <Controller
          control={control}
          name="madeAt"
          render={({ field: { value, onChange } }) => (
            <DateTimeField
              label={t('Made or came')}
              width={240}
              value={value}
              problem={own.problems['/madeAt']}
              onChange={onChange}
            />
          )}
        />
      </Row>
      <Row gap={10} align="start">
        <Controller
          control={control}
          name="cure"
          render={({ field: { value, onChange } }) => (
            <SelectField
              label={t('Powder is')}
              width={240}
              value={value}
              options={[
                { value: 'full', label: t('Fused: glossy, to be kept') },
                { value: 'light', label: t('Lightly cured: grainy, for today') },
              ]}
              onChange={onChange}
            />
          )}
        />
        <FilledText filling={own} name="lot" label={t('Lot, if it has one')} width={180} />
      </Row>
      <FilledText filling={own} name="note" label={t('Note')} />
    </>
  );
}
