/** What the application and the server may use of the computation. */
export { parseSheet } from './engine/parseSheet';
export { SheetSchema } from './engine/sheet';
export type { AdjusterEntry, ChartStop, EngineSheet, Isolation, Mark, Spec } from './engine/sheet';
export { wrap } from './engine/angle';
export { cycleDegrees, firingOf, firingTdc, runningMate, standing } from './engine/firing';
export { assumedLobes, lobeIsAssumed, lobeOf } from './engine/lobes';
export { type CamLane, camLanes } from './engine/camLanes';
export { type Adjuster, adjustersOf } from './engine/adjusters';
export { figuresOf, sheetForTag } from './engine/variant';
export { adjusterName, entryOf, specOf } from './engine/adjusterEntry';
export { isWindow } from './engine/setAt';
export { banksFor, commonOrders, CYLINDER_FORMS, formOf } from './engine/cylinderForms';
export type { CylinderForm } from './engine/cylinderForms';
export { ISOLATION_PRESETS } from './engine/isolationPresets';
export { notYet } from './engine/notYet';
export { compareSheets, type SheetChange } from './engine/compareSheets';
export { seatingOf } from './engine/layout';
export { HEAD_ENDS, HEAD_VIEWS, headSeen, STANDS_AT, turnsSeenFrom } from './engine/asSeen';
export type { HeadView, StandsAt } from './engine/asSeen';
export type { SeatedBank } from './engine/layout';

export { METHOD_TITLES, METHOD_WORDS } from './barring/methodWords';
export { type BarringMethod, BARRING_METHODS } from './barring/methods';
export { planBarring } from './barring/plan';
export { planWork } from './crank/planWork';
export type { BarringPlan, Stop } from './barring/barringPlan';
export { holdsAt, marginAt, rockersAt } from './barring/assembly';
export { type ChartConflict, chartConflicts, openConflicts } from './barring/conflicts';
export { type CrankArc, type CrankBelief, crankBelief } from './crank/belief';
export type { CrankEntry, Observation, Turned } from './crank/observation';
export { concernsSame } from './crank/observation';
export { settable } from './crank/settable';
export { type Way, wayTo } from './crank/wayTo';
export { describeSet, describeWatch } from './barring/describeStop';
export { ratchetClicks, rimArc, toolTurns } from './barring/bar';

export { ordersOffered, readGaps, readOrder } from './bench/readOrder';
export { quickSheet } from './bench/quickSheet';
export { type MetBy, setDecides } from './bench/setDecides';
export {
  adapterFormula,
  barSums,
  screwTurn,
  stackFormula,
  takenFor,
  torqueFormula,
} from './bench/formulas';
export type { BarSum } from './bench/formulas';
export { hoursToDate } from './bench/hoursToDate';
export { type BenchFigures, figuresOfJob } from './bench/figuresOf';
export { whyPlaced } from './bench/whyPlaced';
export { isLessonDone, LESSON_STEPS } from './practice/lesson';
export { type Exercise, type Level, EXERCISES, LEVELS } from './practice/exercise';
export {
  ANSWERS,
  markReading,
  markSettable,
  markWhere,
  enoughWiggles,
  meanWiggles,
  readTask,
  seedOfDay,
  settableTask,
  tryBlade,
  whereTask,
  wiggle,
} from './practice/exercises';
export type { Marked, ReadAnswer } from './practice/exercises';
export { type Section, lobeOutline, sectionAt } from './picture/section';
export { marksOn, OVERLAP, rimOf, stripTiles, turnMarks } from './bench/timingStrip';
export type { StripMark, StripTile, TurnMark } from './bench/timingStrip';
export { middleOf, type Reading, readingFromFigure, type Trial } from './gauging/reading';
export {
  formatFigure,
  formatInBoth,
  formatInOther,
  formatSetting,
  formatSpecInBoth,
  lastPlaceOf,
  measureOf,
  metricUnitOf,
  unitOf,
} from './gauging/measure';
export { type ShownUnit, SIZES } from './gauging/figureUnits';
export type { Measure, MeasureUnits } from './gauging/measure';
export { aimAt, entryAtWork } from './job/instruction/aimAt';
export { type FleetReading, readFleetPage } from './exchange/fleetPage';
export { aimFor, aimWords } from './gauging/aim';
export { type SettingSpec, toSet } from './gauging/toSet';
export { formatGapChangeInBoth } from './gauging/gapChange';
export type { RateBand, Rates } from './gauging/rates';
export {
  bladeFor,
  bladeStack,
  bladeWord,
  layOutBlades,
  leafWord,
  NEAR_ENOUGH,
  plainBlades,
  readingFromDrag,
  readingFromTrials,
  steppedBlades,
  tapBlade,
  tapStepped,
  withoutWorn,
} from './gauging/blades';
export type { Blade, BladeSet, LaidOut, SteppedBlade } from './gauging/blades';
export { actsFromPaper, type PaperLine, type PaperMistake } from './job/instruction/actsFromPaper';
export { paperBlanks, type PaperBlank, paperWord } from './job/instruction/paperBlanks';
export { lastAlike, readByFork } from './job/instruction/readAlike';
export { isWhole, kindsInWords, notSetSinceHeadWork, scopeWords } from './job/words/scopeWords';
export { isAskedOf } from './job/journal/askedOf';
export { isBegun } from './job/journal/begun';
export { isInScope, isSameScope, type JobScope, leftOutKinds } from './job/journal/scope';
export { engineLabelWords } from './job/words/engineLabel';
export { hoursOf } from './job/journal/hoursOf';
export { headLetters } from './picture/headLetters';
export { nextCheckWords } from './job/words/nextCheck';
export { intervalWords } from './service/intervalWords';
export { adviceToAdjust } from './job/words/adviceToAdjust';
export { lengthFromTyped, readingFromTyped, type TypedFor } from './gauging/typedReading';
export { type GaugeFor, gaugeLines, readGaugeLine } from './gauging/gaugeLine';
export { formatStack, markedIn } from './gauging/bladeMarks';
export { bladeToTry } from './gauging/bladeToTry';
export { mayBePedalled } from './job/instruction/pedalled';
export { judgeReading, outsideWord, verdictOf } from './gauging/judgeReading';
export type { Judgement, Verdict } from './gauging/judgeReading';
export type { AimRule, JobPolicy, ShopPolicy } from './gauging/policy';
export { type Screw, partOfTurn, turnsForGap } from './gauging/screw';
export { lockShift } from './gauging/lockShift';
export { type Slip, slipOf } from './gauging/slips';
export { FROM_BUY, FROM_STOCK, planShims } from './gauging/shims';
export type { ShimPlan, ShimRow, ShimSupply } from './gauging/shims';
export type { ShimAct } from './gauging/shimOrder';

export { adapterSetting } from './torque/adapter';
export type { AdapterSum } from './torque/adapter';
export { showBy, showUnits, unitsShown, USUAL_UNITS, wallClock } from './shownAs';
export type { Shown, Units } from './shownAs';
export { formatRule, fromRuleUnit, inRuleUnit, type RuleUnit, ruleUnit } from './rule';
export { formatTemperature, fromFahrenheit, inFahrenheit } from './temperature';
export { readNumber } from './typedNumber';
export { convertTorque, formatTorque, formatTorqueAlone, TORQUE_UNITS } from './torque/units';
export type { TorqueUnit } from './torque/units';
export { spiralOrder, torqueSteps } from './torque/sequence';
export type { TorqueSequence, TorqueStage, TorqueStep } from './torque/sequence';

export {
  EVENT_SCHEMAS,
  JobEventSchema,
  JobEventsSchema,
  isKnown,
  MOST_EVENTS,
  UNSET_REASONS,
} from './job/journal/events';
export { BlobTypeSchema, LARGEST_BLOB, Sha256Schema } from './attachment';
export type { Attachment } from './attachment';
export type { EventOf, JobAct, JobEvent, KnownEvent } from './job/journal/events';
export { UuidSchema } from './job/journal/fields';
export type { JobHead } from './job/journal/jobHead';
export { JobBeginSchema, JobHeadSchema } from './job/journal/jobHead';
export { inOrder, isOver } from './job/journal/counting';
export { lastDone, lastTapped } from './job/journal/lastTapped';
export { foldJob, foldOn } from './job/journal/fold';
export type { FoldedJob } from './job/journal/fold';
export { torqueKey } from './job/journal/foldPhase';
export type {
  AdjusterState,
  JobState,
  LookedInto,
  TakenReading,
  UnsetReason,
} from './job/journal/state';
export {
  adjusterStep,
  isToReadOn,
  readOn,
  standingReading,
  standsUnread,
} from './job/instruction/adjusterStep';
export type { SettableEntry } from './job/instruction/adjusterStep';
export { jobSteps, presentStep } from './job/instruction/steps';
export type { Step } from './job/instruction/steps';
export { dueActs, jobPlan, methodOf } from './job/instruction/jobPlan';
export { instructionOf, jobInstruction, maySign } from './job/instruction/jobInstruction';
export type {
  Figure,
  Instruction,
  InstructionTo,
  Rotation,
  StepId,
} from './job/instruction/instruction';
export { describeClosed, describeMissing } from './job/words/missingWords';
export { crankOfJob } from './job/instruction/crankOfJob';
export type { CrankOfJob } from './job/instruction/crankOfJob';
export {
  adjusterInstruction,
  isAtAdjuster,
  policyOf,
  settleFirst,
} from './job/instruction/adjusterInstruction';
export { offeredOf, wantedOf } from './job/instruction/atWork';
export { rotationOf } from './job/instruction/wayOn';
export { knownTo } from './job/journal/heard';
export { unreadOf } from './job/instruction/round';
export { rockersToFeel } from './crank/rockersToFeel';
export type { Feel } from './crank/rockersToFeel';
export {
  closingItems,
  coldFrom,
  isFinished,
  lastRun,
  leaksOpenly,
  isReadyForCovers,
  isolationsOf,
  mayAbandon,
  mayRestore,
  mayReturn,
  missingTag,
  missingTemperature,
  readyItems,
  sequencesOf,
  notToRunWith,
  leftOutside,
  unsetOf,
  mayChooseScope,
  openWork,
} from './job/instruction/gates';
export { isLastLock, mustHangLock } from './job/instruction/lockGates';
export { isolationsToDo, opensAgain } from './job/instruction/reopening';
export { sealedEvents, sealedText } from './job/seal/seal';
export {
  fingerprintOf,
  KeyPutSchema,
  KeyRegisteredSchema,
  SIGNATURE_FORMAT,
  signatureCode,
  SignatureSchema,
  signatureWords,
  signedText,
  signedWords,
} from './job/seal/signature';
export type { Signature, SignedWords } from './job/seal/signature';
export { RECORD_FORMAT, RecordFileSchema, writeRecordFile } from './exchange/recordFile';
export type { RecordFile } from './exchange/recordFile';
export { canonical } from './canonical';
export { hanging, hangs } from './job/journal/locks';
export { hotUntil, readTooCool } from './job/instruction/hotWindow';
export { begunOf, settingOf } from './job/journal/setting';
export type { JobBegun, JobSetting, LastLeft } from './job/journal/setting';
export { ROUND_RULES } from './job/journal/roundRule';
export type { RoundRule } from './job/journal/roundRule';
export { shimPlanTaken, shimRows, shimStage } from './job/instruction/jobShims';
export type { ShimStage } from './job/instruction/jobShims';
export { phaseTimes } from './job/record/phaseTimes';
export { lockPairsOf } from './job/record/lockPairs';
export {
  ANSWER_WITHIN_MS,
  BeatSchema,
  heardBeat,
  keptSide,
  turnAsked,
  turningWord,
} from './job/link/turning';
export type { Beat, LinkSide, Turn, TurningWord } from './job/link/turning';
export { questionsAt } from './job/instruction/questions';
export { itemNames } from './job/words/itemNames';
export { unansweredFindings } from './job/record/unansweredFindings';
export type { Question } from './job/instruction/questions';
export {
  describeLock,
  describeEvent,
  eventWords,
  describeReading,
  readingWithUnit,
  describeShim,
  describeUnset,
} from './job/words/describe';

export { engineHours, type HoursReading, type MeterChange, useOf } from './service/hours';
export { firstReading } from './service/baseline';
export type { Baseline } from './service/baseline';
export { machineLineOf } from './service/machineLine';
export type { MachineBasis } from './service/machineLine';
export { addedMachine, changedMachine, counted, machineRead } from './service/machineDetail';
export { changedFields, fieldsOf } from './service/machineFields';
export { inMeterOrder, meterOf } from './service/meter';
export { dueAtWords, nextDue } from './service/nextDue';
export type { NextDue } from './service/nextDue';
export { comparePressing, isOverdue } from './service/pressing';
export {
  driftOptions,
  forecastDrift,
  ratesToAimBy,
  rateToGoBy,
  specsByKind,
  USUAL_RISK,
} from './service/drift';
export type {
  AdjusterDrift,
  DriftForecast,
  DriftHistory,
  PastJob,
  DriftOptions,
} from './service/drift';

export { findingsOf } from './service/findings';
export type { Finding } from './service/finding';
export { pastOf } from './service/checks';
export type { EnginePast } from './service/checks';
export { doubtJobHours, hoursSince, meterForJob, readAt } from './service/jobHours';
export { hoursAgainst, HoursQuestions, questionHours } from './service/questionHours';
export type { HoursDoubt } from './service/questionHours';
export { urgencyOf, USUAL_SOON } from './service/urgency';
export { howLong } from './weeks/howLong';
export type { HowLong } from './weeks/howLong';
export { costOfPlan, offerProgram, weeksOf } from './weeks/offer';
export type { ToPlan, WeeksToPlan } from './weeks/offer';
export { partsAhead } from './weeks/partsAhead';
export { asFoundWhenDue, shimsAhead } from './weeks/shimsAhead';
export { drawerWithout, shimsFromDrawer } from './weeks/shimsFitted';
export { shimsAheadWords, takesWords, whenDue, workHours } from './weeks/weekWords';
export { dueSpan, mondayOf, PLANNED_WEEKS, weeksFrom } from './weeks/weeks';
export type { Soon, Urgency } from './service/urgency';
export type { SheetInFile, SheetsFile } from './exchange/sheetsFile';
export { readSheetsFile, SHEETS_FORMAT, SheetsFileSchema } from './exchange/sheetsFile';
export { ARCHIVE_FORMAT, ARCHIVE_LINES, ArchiveReader, parseArchive } from './exchange/archive';
export type { ArchiveLine, LineIssue, ParsedArchive } from './exchange/archive';
export { guessColumns, readHours } from './exchange/hoursFile';
export type { KnownHours, TableRow } from './exchange/hoursFile';
export { SeededRandom } from './seededRandom';

export { sealWords } from './job/words/sealWords';

export { ignore } from './ignore';
export { itemAt } from './itemAt';
export { dayOf, daysBetween, localDay } from './calendar';
export { type Issue, issuesOf } from './issue';
export { isRefused, malformed } from './result';
export type { Malformed, RefusalCode, Refused, Result } from './result';
export {
  OTHER_LENGTH_UNIT,
  formatDay,
  formatDays,
  formatHours,
  formatInstant,
  formatLength,
  formatLengthAlone,
  formatMillimetres,
  formatReckonedHours,
  formatThou,
  fromThou,
  type LengthUnit,
} from './units';

export { hiddenEngine } from './practice/hiddenEngine';
export type { Faults } from './practice/hiddenEngine';
export { crankOrClash } from './crank/contradicted';
export { marksDoubted } from './job/instruction/marksDoubted';
export { FAULTS_TOLD, faultTask, markFault } from './practice/faultTask';
export type { FaultTold } from './practice/faultTask';
export { practiceSheet } from './practice/practiceSheet';
export { EngineJournal } from './practice/engineJournal';
export { markJob } from './practice/markJob';
export { simulateJob } from './practice/simulateJob';
export { turnAsTold } from './practice/turnAsTold';
export { wholeTask } from './practice/wholeTask';
export type { WholeTask } from './practice/wholeTask';
export { leftAt, witnessed } from './practice/witnessed';
export type { WitnessedEngine } from './practice/witnessed';
export type { JobOutcome, SimulatedJob } from './practice/simulateJob';
export { adjustersIn } from './job/record/jobRecord';
export type {
  JobRecord,
  JudgedReading,
  RecordedAdjuster,
  RecordedBank,
} from './job/record/jobRecord';
export { recordOf, recordOfState } from './job/record/recordOf';
export type { RecordPage } from './job/words/recordPage';
export { recordPage } from './job/words/recordPage';
export { deviationsOf } from './job/record/deviations';
export { describeFeel } from './job/words/feelWords';
export type { SaidInstruction } from './job/words/describeInstruction';
export {
  describeApart,
  describeBar,
  describeChartPlace,
  describeInstruction,
  describeSettle,
} from './job/words/describeInstruction';
export { describeOdd, describeSeen } from './job/words/describeSeen';
export { adjusterId, isTelling, KIND_NAMES, KINDS, readId } from './engine/kinds';
export type { AdjusterKind } from './engine/kinds';
export * from './picture';
export * from './wire';
export type { Heard } from './listen/heard';
export { CLIP_SECONDS, LONGEST_SECONDS, SOUND_RATE } from './listen/sound';
export { CANNOT_HEAR, heardWords, noiseWords } from './listen/soundWords';
