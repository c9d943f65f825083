import type { CompanyMachine, CompanyShop } from '@longbar/core';
import { useState } from 'react';
import { refusalOf } from '../../state/refusal';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Select } from '../../ui/Select';
import { Words } from '../../ui/Words';
import { useMoveMachineMutation } from './companyApi';
import { named } from './named';

/** A machine that goes to another shop of the company, with its past. */
export function MoveMachine({ shops }: { shops: readonly CompanyShop[] }) {
  const byName = named(shops);
  const [from, setFrom] = useState([...byName.keys()][0] ?? '');
  const shop = byName.get(from);
  const others = [...byName.keys()].filter((name) => name !== from);
  const [wanted, setTo] = useState('');
  const to = others.includes(wanted) ? wanted : (others[0] ?? '');
  const machines = named(shop?.machines ?? []);
  const [chosen, setMachine] = useState('');
  const [move, moving] = useMoveMachineMutation();
  const [moved, setMoved] = useState<string>();
  const name = machines.has(chosen) ? chosen : ([...machines.keys()][0] ?? '');
  const machine = machines.get(name);
  const goTo = async (goes: CompanyMachine, between: { from: CompanyShop; to: CompanyShop }) => {
    const answer = await move({ machine: goes.id, from: between.from.id, to: between.to.id });
    setMoved(answer.error ? undefined : `${goes.name} is in ${between.to.name} now.`);
  };
  const target = byName.get(to);
  // What was moved before is said until something else is chosen.
  const choose = (set: (next: string) => void) => (next: string) => {
    set(next);
    setMoved(undefined);
  };
  return (
    <Stack>
      <Words as="heading">Move a machine</Words>
      <Select label="From" value={from} options={[...byName.keys()]} onChange={choose(setFrom)} />
      {!machine && <Words>{`${from} has no machine.`}</Words>}
      {machine && (
        <>
          <Select
            label="Machine"
            value={name}
            options={[...machines.keys()]}
            onChange={choose(setMachine)}
          />
          <Select label="To" value={to} options={others} onChange={choose(setTo)} />
        </>
      )}
      {machine?.isOpen && (
        <Words>{`A job is open at ${machine.name}. It stays until that is signed or abandoned.`}</Words>
      )}
      {machine && !machine.isOpen && shop && target && (
        <AskFirst
          key={`${machine.id} ${to}`}
          label={`Move ${machine.name} to ${target.name}`}
          question={`Its readings, its jobs with their photos and signatures, and the sheets they went by go with it. ${shop.name} keeps its sheets, and nothing else of it. It can be moved back.`}
          no="Leave it there"
          yes={moving.isLoading ? 'Moving …' : 'Move it'}
          weight="primary"
          busy={moving.isLoading}
          onYes={() => void goTo(machine, { from: shop, to: target })}
          refusal={moving.error && refusalOf(moving.error).message}
        />
      )}
      {moved !== undefined && <Words role="status">{moved}</Words>}
    </Stack>
  );
}
