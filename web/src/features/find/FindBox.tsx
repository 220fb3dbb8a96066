import { t } from '../../words/index.ts';
import { skipToken } from '@reduxjs/toolkit/query';
import { useDeferredValue, useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { useCatalogueQuery } from '../../api/catalogueApi.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { otherUnits, ownWritingChosen, useUnits } from '../../units/writingSlice.ts';
import { useFoundQuery, useOrdersFoundQuery } from './findApi.ts';
import { alwaysThere, inCatalogue, matches, onServer } from './places.ts';
import type { Findable, Reached } from './places.ts';
import { CommandBox } from '../../ui/index.ts';

interface Props {
  /** All places that have a key. */
  places: readonly Reached[];
  onClose: () => void;
  onHelp: () => void;
}

const NONE = { lines: [], artworks: [] };
const AT_FIRST = 8;

/** Finds an order, a line, an artwork, what the shop works with, a place, or something to do; Enter goes there. */
export function FindBox({ places, onClose, onHelp }: Props) {
  const [typed, setTyped] = useState('');
  const text = useDeferredValue(typed.trim());
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const units = useUnits();
  const { data: catalogue } = useCatalogueQuery();
  const query = text === '' ? skipToken : { text };
  const orders = useOrdersFoundQuery(query);
  const others = useFoundQuery(query);
  const own = useMemo(
    () => [...alwaysThere(places), ...(catalogue ? inCatalogue(catalogue) : [])],
    [places, catalogue],
  );
  const here = own.filter((one) => matches(one, text));
  const found = [
    ...onServer(orders.data?.items ?? [], others.data ?? NONE),
    ...(text === '' ? here.slice(0, AT_FIRST) : here),
  ];
  const error = orders.error ?? others.error;
  const go = ({ id, to }: Findable): void => {
    onClose();
    if (to !== undefined) void navigate(to);
    else if (id === 'do/keys') onHelp();
    else dispatch(ownWritingChosen(otherUnits(units)));
  };
  return (
    <CommandBox
      label={t('Find anything')}
      placeholder={t('An order, a customer, an artwork, a blank, a place, something to do')}
      typed={typed}
      onType={setTyped}
      choices={found}
      onChoose={(id) => {
        const chosen = found.find((one) => one.id === id);
        if (chosen) go(chosen);
      }}
      isBusy={orders.isFetching || others.isFetching}
      problem={
        error ? t('Orders and artworks cannot be looked up: {error}', { error: problemMessage(error) }) : ''
      }
      onClose={onClose}
    />
  );
}
