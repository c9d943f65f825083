/* What crosses the wire between phone and server: one schema each, parsed on both sides. */

export { HoursColumnsSchema, HoursFileSchema, HoursFoundSchema } from './hoursFile';
export type { HoursColumns, HoursFile, HoursFound } from './hoursFile';
export { NewShareSchema, SHARE_DAYS, SharePostSchema, SharesSchema } from './shares';
export type { NewShare, Share, SharePost } from './shares';
export {
  ChecksSchema,
  JobContextSchema,
  MachineDetailSchema,
  MachineLinesSchema,
} from './machines';
export type {
  JobCheck,
  JobContext,
  JobLine,
  JobSummary,
  MachineDetail,
  MachineLine,
  MachineNote,
  ReadingOnRecord,
} from './machines';
export {
  AboutMachineSchema,
  HoursCorrectionSchema,
  MachinePatchSchema,
  MachinePostSchema,
} from './machineForm';
export type { AboutMachine, HoursCorrection, MachinePatch, MachinePost } from './machineForm';
export {
  NEW_SHOP,
  RebuildSchema,
  SHOP_HEADER,
  ShopHereSchema,
  ShopSchema,
  UnitsSchema,
} from './shop';
export type { Rebuild, Shop, ShopHere } from './shop';
export {
  PublishSchema,
  SheetPatchSchema,
  SheetsImportSchema,
  SheetsReportSchema,
  SheetDetailSchema,
  SheetLinesSchema,
  SheetRevisionsSchema,
} from './sheets';
export type { SheetDetail, SheetLine, SheetRevision, SheetsImport, SheetsReport } from './sheets';
export {
  CompanyMoveSchema,
  CompanyNameSchema,
  CompanySchema,
  CompanySheetPutSchema,
  CompanySheetsSchema,
} from './company';
export type {
  Company,
  CompanyMachine,
  CompanyMove,
  CompanySheet,
  CompanySheets,
  CompanyShop,
} from './company';
export { FoundSchema, SearchSchema } from './search';
export type { Found } from './search';
export { ErrorSchema, EventsPageSchema, SealSchema } from './journal';
export type { EventsPage, Seal } from './journal';
export type { HoursPost } from './hours';
export { HoursPostSchema } from './hours';
export type { Audited, AuditLine } from './audit';
export { AUDITED, AuditSchema } from './audit';
export type {
  EnterDemo,
  Me,
  Pair,
  Pairing,
  PairingPost,
  Person,
  NameHere,
  PersonPatch,
  PinTry,
  Role,
  DemoRole,
} from './people';
export {
  CalendarSchema,
  EnterDemoSchema,
  HealthSchema,
  MeSchema,
  PairingPostSchema,
  PairingSchema,
  PairSchema,
  PeopleSchema,
  NamesSchema,
  PersonPatchSchema,
  PinPutSchema,
  PinTrySchema,
  ROLES,
  DEMO_ROLES,
  isAtLeast,
} from './people';
export type { Backups } from './backups';
export { BackupsSchema } from './backups';
export type { PracticeLine, PracticeRound } from './practice';
export { PracticeRoundSchema, PracticeSchema } from './practice';
export { HookMessageSchemas, HookPostSchema, HooksSchema, NewHookSchema } from './hooks';
export type { Hook, HookMessage, HookPost, NewHook } from './hooks';
export { FleetPostSchema, FleetsSchema, WaitingAnswerSchema } from './fleets';
export { OfferSchema, PlanPutSchema, PlansPostSchema, WeeksSchema } from './weeks';
export type { Offer, PlannedMachine, PlanPut, PlansPost, Weeks } from './weeks';
export type { Fleet, FleetPost, Fleets, WaitingAnswer, WaitingHours } from './fleets';
