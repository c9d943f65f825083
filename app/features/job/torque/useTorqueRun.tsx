import type { TorqueSequence, TorqueStep as OneStep } from '@longbar/core';
import { adapterSetting, convertTorque, sequencesOf, torqueKey, torqueSteps } from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { FastenerMap } from '../../../drawing/FastenerMap';
import { Act } from '../../../theme/Act';
import { Field } from '../../../theme/Field';
import { Row, Stack } from '../../../theme/Panel';
import { space, WIDE } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import type { WorkingJob } from '../model/useJob';

type Run = {
  /** What is recorded next: the fastener that is lit. */
  act: { label: string; onPress: () => void };
  body: ReactNode;
};

/** Fastener by fastener in the manual's order, stage by stage; undefined once all are down. */
export function useTorqueRun(job: WorkingJob, when: TorqueSequence['when']): Run | undefined {
  const { width } = useWindowDimensions();
  const [adapter, setAdapter] = useState<Adapter>();
  const open = sequencesOf(job.setting.sheet, when)
    .map((sequence) => ({ sequence, left: stepsLeft(sequence, job.state.torqued) }))
    .find(({ left }) => left.length > 0);
  if (!open) return undefined;
  const { sequence, left } = open;
  const now = left[0] as OneStep;
  const { stage, fastener } = now;
  const drawn = Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large;
  return {
    act: {
      label: `Fastener ${fastener + 1} is at ${said(now)}`,
      onPress: () => job.act({ type: 'torque.done', sequence: sequence.id, stage, fastener }),
    },
    body: (
      <>
        <Words as="heading">{sequence.name}</Words>
        <Words color="secondInk">
          Stage {stage + 1} of {sequence.stages.length}: each to {said(now)}, in this order.
        </Words>
        <FastenerMap fasteners={sequence.fasteners} next={fastener} width={drawn} />
        <Setting step={now} adapter={adapter} />
        <AdapterForm adapter={adapter} onChange={setAdapter} />
      </>
    ),
  };
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
  if (!adapter) return <Wrench torque={step.torque} />;
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
      <Wrench torque={answer.setting} />
      <Words as="note" color="secondInk">
        {whole.format(step.torque)} × {adapter.wrench} / ({adapter.wrench} + {adapter.adapter} · cos{' '}
        {adapter.angle}°), so that the nut gets {whole.format(step.torque)} N·m.
      </Words>
    </Stack>
  );
}

/** What the wrench is set to, in both scales that wrenches have. */
function Wrench({ torque }: { torque: number }) {
  return (
    <Stack gap={0}>
      <Words as="title">Wrench at {whole.format(torque)} N·m</Words>
      <Words as="figure" color="secondInk">
        {whole.format(convertTorque(torque, 'N·m', 'lb·ft'))} lb·ft
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
