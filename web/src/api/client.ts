/** The API's client, typed by its own description. Every failure is a `Problem`. */
import createClient from "openapi-fetch";
import type { components, paths } from "./schema.generated";

type Schemas = components["schemas"];
export type HueView = Schemas["HueView"];
export type ScaleView = Schemas["ScaleView"];
export type StepView = Schemas["StepView"];
export type SystemCardView = Schemas["SystemCard"];
export type MatrixView = Schemas["MatrixView"];
export type TwoColorsView = Schemas["TwoColorsView"];
export type StandingFieldView = Schemas["StandingFieldView"];
export type ConditionView = Schemas["ConditionView"];
export type TextOnPictureView = Schemas["TextOnPictureView"];
export type DrawnPairView = Schemas["DrawnPairView"];
export type TokenView = Schemas["TokenView"];
export type BandView = Schemas["BandView"];
export type RowView = Schemas["RowView"];
export type TokenDetail = NonNullable<Parts["token_detail"]>;
export type ThemeView = Schemas["ThemeView"];
export type TokenValue = Extract<Edit, { type: "set_token_value" }>["value"];
export type AdditionView = Schemas["AdditionView"];
export type StandingPlanView = Schemas["StandingPlanView"];
export type DifferencesView = Schemas["DifferencesView"];
export type MovedView = Schemas["MovedView"];
export type PairingView = Schemas["PairingView"];
export type FindingView = Schemas["FindingView"];
export type MovingView = Schemas["MovingView"];
export type ReadingTestView = Schemas["ReadingTestView"];
export type OwnColorsView = Schemas["OwnColorsView"];
export type PaletteDetail = Schemas["PaletteDetail"];
export type PaletteView = Schemas["PaletteView"];
export type ChartsView = Schemas["ChartsView"];
export type DatasetView = Schemas["DatasetView"];
export type WishBody = Schemas["WishBody"];
export type StandsOnView = Schemas["StandsOnView"];
export type RepairView = Schemas["RepairView"];
export type RampView = Schemas["RampView"];
export type PromiseView = Schemas["PromiseView"];
export type SlipView = Schemas["SlipView"];
export type SwatchView = Schemas["SwatchView"];
export type ContrastView = Schemas["ContrastView"];
export type ReadLineView = Schemas["ReadLineView"];
export type ChangeView = Schemas["ChangeView"];
export type ChangeGroupView = Schemas["ChangeGroupView"];
export type ComparisonView = Schemas["ComparisonView"];
export type CheckedView = Schemas["CheckedView"];
export type ReleaseView = Schemas["ReleaseView"];
export type DraftView = Schemas["DraftView"];
export type ReleaseRules = Schemas["ReleaseRules"];
export type FeedView = Schemas["FeedView"];
export type KeyView = Schemas["KeyView"];
export type Guide = Schemas["Guide"];
export type OutputView = Schemas["OutputView"];
export type PublishedColorView = Schemas["PublishedColorView"];
export type NamedOutput = Schemas["NamedOutput"];
export type PlacedOutput = Schemas["PlacedOutput"];
export type ReadingView = Schemas["ReadingView"];
export type FollowingView = Schemas["FollowingView"];
export type QuantityChangeView = Schemas["QuantityChangeView"];
export type CandidateView = Schemas["CandidateView"];
export type StopsView = Schemas["StopsView"];
export type HarmonyView = Schemas["HarmonyView"];
export type HarmonyBody = Schemas["HarmonyBody"];
export type PartnerView = Schemas["PartnerView"];
export type EvenView = Schemas["EvenView"];
export type EvenBody = Schemas["EvenBody"];
export type MixView = Schemas["MixView"];
export type StatusView = Schemas["StatusView"];
export type PictureView = Schemas["PictureView"];
export type MainColorView = Schemas["MainColorView"];
export type SampleView = Schemas["SampleView"];
export type FittedView = Schemas["FittedView"];
export type GallerySetView = Schemas["GallerySetView"];
export type PlanRowView = Schemas["PlanRowView"];
export type LadderView = Schemas["LadderView"];
export type LadderStepView = Schemas["LadderStepView"];
export type CurveView = Schemas["CurveView"];
export type HandleView = Schemas["HandleView"];
export type SafeView = Schemas["SafeView"];
export type FewerView = Schemas["FewerView"];
export type ComparedMethodView = Schemas["ComparedMethodView"];
export type ToldApartView = Schemas["ToldApartView"];
export type ExactColor = Schemas["ExactColor"];
export type NewHue = Schemas["NewHue-Input"];
export type NewColor = Schemas["NewColor-Input"];
/** What of a system can be asked for, by name. */
export type Parts = Required<Schemas["Parts"]>;
export type PartName = keyof Parts;
export type ScaleDetail = NonNullable<Parts["scale_detail"]>;
/** What the server answers it answers whole: defaults may be left out only of what is sent. */
type Whole<T> = T extends (infer Item)[]
  ? Whole<Item>[]
  : T extends object
    ? { [Key in keyof T]-?: Whole<T[Key]> }
    : T;
/** A method with the settings of all. */
export type Method = Whole<ScaleDetail["settings"]>;
export type Curves = Schemas["Curves"];
export type Looking = Schemas["Looking"];
export type Vision = NonNullable<Looking["vision"]>;
export type Notation = NonNullable<Looking["notation"]>;
export type Seeing = Pick<Looking, "vision" | "severity">;
export type Edit = Schemas["EditBody"]["edits"][number];
export type HueKind = HueView["kind"];
export type Status = NonNullable<HueView["status"]>;

export const client = createClient<paths>({ baseUrl: "" });

interface ProblemBody {
  title?: string;
  detail?: string;
  status?: number;
  errors?: { field: string; message: string }[];
  conflict?: { yours: string; theirs: string; person: string; at: string; head: number };
}

/** What the server said that it cannot do; status 0 where it did not answer at all. */
export class Problem extends Error {
  readonly status: number;
  readonly errors: { field: string; message: string }[];
  readonly conflict: ProblemBody["conflict"];

  constructor(body: ProblemBody, status: number) {
    super(body.detail ?? body.title ?? "The server does not answer.");
    this.status = status;
    this.errors = body.errors ?? [];
    this.conflict = body.conflict;
  }

  /** Whether asking again later may help. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 502;
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** A body that is sent as it is: a text or a file. */
export const asItIs = (body: unknown) => body as BodyInit;

/** The data of an answer, or its problem thrown. */
export async function data<T>(asked: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await asked;
  } catch {
    throw new Problem({}, 0);
  }
  // What is done and says nothing more has no body.
  if (answer.response.status === 204) return undefined as T;
  if (answer.data === undefined || !answer.response.ok) {
    throw new Problem((answer.error ?? {}) as ProblemBody, answer.response.status);
  }
  return answer.data;
}

/** The problem in whatever was thrown. */
export function problemOf(thrown: unknown): Problem {
  return thrown instanceof Problem ? thrown : new Problem({ detail: String(thrown) }, 500);
}
