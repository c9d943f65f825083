import type { TorqueSequence, TorqueStep as OneStep } from '@longbar/core';
import { adapterSetting, torqueFirst, torqueKey, torqueSteps } from '@longbar/core';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { FastenerMap } from '../../../drawing/FastenerMap';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Field } from '../../../theme/Field';
import { Row, Stack } from '../../../theme/Panel';
import { space, WIDE } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { StepFrame } from '../StepFrame';
import type { StepProps } from '../stepProps';

/** Torque first: fastener by fastener in the manual's order, stage by stage. */
export function TorqueStep({ job, after }: StepProps) {
  const { width } = useWindowDimensions();
  const [adapter, setAdapter] = useState<Adapter>();
  const sequences = torqueFirst(job.setting.sheet);
  const open = sequences
    .map((sequence) => ({ sequence, left: stepsLeft(sequence, job.state.torqued) }))
    .find(({ left }) => left.length > 0);
  if (!open) {
    return (
      <StepFrame job={job} after={after}>
        <Words as="heading">Torque first</Words>
        <Words>Everything is run down. Lash after that, never before.</Words>
      </StepFrame>
    );
  }
  const { sequence, left } = open;
  const now = left[0] as OneStep;
  const { stage, fastener } = now;
  const drawn = Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large;
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: `Fastener ${fastener + 1} is at ${said(now)}`,
        onPress: () => job.act({ type: 'torque.done', sequence: sequence.id, stage, fastener }),
      }}
    >
      <Words as="heading">{sequence.name}</Words>
      <Words color="secondInk">
        Stage {stage + 1} of {sequence.stages.length}: each to {said(now)}, in this order.
      </Words>
      <FastenerMap fasteners={sequence.fasteners} next={fastener} width={drawn} />
      <Setting step={now} adapter={adapter} />
      <AdapterForm adapter={adapter} onChange={setAdapter} />
      <Caution>
        Bolts tightened to yield are not run down again unless the manual says so. Lash comes after
        this, never before.
      </Caution>
    </StepFrame>
  );
}

function stepsLeft(sequence: TorqueSequence, torqued: Record<string, unknown>): OneStep[] {
  return torqueSteps(sequence).filter(
    (step) => !torqued[torqueKey({ ...step, sequence: sequence.id })],
  );
}

const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

function said(step: OneStep): string {
  return 'angle' in step ? `${step.angle}° on` : `${whole.format(step.torque)} N·m`;
}

type Adapter = { wrench: number; adapter: number; angle: number };

/** What the wrench is set to: the torque itself, or less with an adapter that lengthens it. */
function Setting({ step, adapter }: { step: OneStep; adapter: Adapter | undefined }) {
  if ('angle' in step) return <Words as="title">Turn it {step.angle}° on.</Words>;
  if (!adapter) return <Words as="title">Wrench at {whole.format(step.torque)} N·m</Words>;
  const answer = adapterSetting({ torque: step.torque, ...adapter });
  if ('refused' in answer) {
    return (
      <Words as="strong" color="stop" role="alert">
        {answer.refused}
      </Words>
    );
  }
  return (
    <Stack gap={space.hair}>
      <Words as="title">Wrench at {whole.format(answer.setting)} N·m</Words>
      <Words as="note" color="secondInk">
        {whole.format(step.torque)} × {adapter.wrench} / ({adapter.wrench} + {adapter.adapter} · cos{' '}
        {adapter.angle}°), so that the nut gets {whole.format(step.torque)} N·m.
      </Words>
    </Stack>
  );
}

type FormProps = {
  adapter: Adapter | undefined;
  onChange: (adapter: Adapter | undefined) => void;
};

const FIELDS = [
  ['wrench', 'Wrench, drive to hand, mm'],
  ['adapter', 'Adapter, drive to nut, mm'],
  ['angle', 'Angle between them, °'],
] as const;

function AdapterForm({ adapter, onChange }: FormProps) {
  const [typed, setTyped] = useState<Record<keyof Adapter, string>>();
  if (!typed) {
    return (
      <Act
        label="With a torque adapter"
        onPress={() => setTyped({ wrench: '', adapter: '', angle: '0' })}
      />
    );
  }
  const change = (next: Record<keyof Adapter, string>) => {
    setTyped(next);
    const [wrench, length, angle] = FIELDS.map(([key]) => Number(next[key].replace(',', '.')));
    const whole = [wrench, length, angle].every((figure) => Number.isFinite(figure));
    onChange(
      whole && wrench && length ? { wrench, adapter: length, angle: angle ?? 0 } : undefined,
    );
  };
  return (
    <Stack>
      {FIELDS.map(([key, label]) => (
        <Field
          key={key}
          label={label}
          inputMode="decimal"
          value={typed[key]}
          onChange={(text) => change({ ...typed, [key]: text })}
        />
      ))}
      <Row>
        <Act
          label="No adapter after all"
          style={{ flex: 1 }}
          onPress={() => {
            setTyped(undefined);
            onChange(undefined);
          }}
        />
      </Row>
      {!adapter && (
        <Words as="note">Give both lengths; 0° is straight on, 90° changes nothing.</Words>
      )}
    </Stack>
  );
}
