import { useState } from 'react';
import type { Paper } from '../shared/paper';
import { usualPaper } from '../shared/paper';

/** Which paper is printed on, and from which label of the first sheet on. */
export type LabelChoices = {
  paper: Paper;
  setPaper: (paper: Paper) => void;
  firstText: string;
  setFirst: (text: string) => void;
  /** Places that are used up before the first. */
  skip: number;
  /** What is wrong with the place that was typed, of so many. */
  mistake: (places: number) => string | undefined;
};

export function useLabelChoices(): LabelChoices {
  const [paper, setPaper] = useState<Paper>(usualPaper);
  const [firstText, setFirst] = useState('1');
  const first = Number(firstText);
  const isPlace = (places: number) => Number.isInteger(first) && first >= 1 && first <= places;
  return {
    paper,
    setPaper,
    firstText,
    setFirst,
    skip: isPlace(Infinity) ? first - 1 : 0,
    mistake: (places) =>
      isPlace(places) ? undefined : `It is a whole number from 1 to ${places}.`,
  };
}
