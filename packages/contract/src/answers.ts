// What every route answers with JSON. The OpenAPI document is made of it, and the client of the web app is held to it.
import type { Handout } from '@upwell/core/handout';
import type { CriticalSpeed, LengthMetrics, RaceTime, RateRamp } from '@upwell/core/measures';
import type { DrillRecord, Inference } from '@upwell/core/review';
import type { Me, SignInView } from './account';
import type { ArchiveTaken } from './archive';
import type { ClipStills, ClipView, ThenAndNow } from './clips';
import type { ClubRulesView } from './club';
import type { Page } from './common';
import type { DeckPack, DeckToday, EventsPage } from './deck';
import type { EyeHistory } from './eye';
import type { HandoutLink } from './handout';
import type { LibraryFile, LibraryView } from './library';
import type { LooksPage } from './looks';
import type { AccountView, InvitationLook, InvitationMade, InvitationView, LinkView, ResetLook } from './people';
import type { Erasing } from './person';
import type { JobView, MyWeek, RacePlanView, SeasonPage } from './race';
import type { ClubResult, ImportCheck, ImportState, ImportView, RecordsView, ResultsPage, TestView } from './records';
import type { FocusView, ReviewView } from './review';
import type { RosterDone, RosterImport, RosterPreview } from './roster';
import type {
  CalendarLink,
  LoadView,
  SeriesChanged,
  SessionPerson,
  SessionProposal,
  SessionRow,
  SessionView,
} from './sessions';
import type { SentClip } from './sent';
import type { SetupView } from './setup';
import type { Coach, Squad, Swimmer, SwimmerPage, SwimmerRow } from './swimmers';
import type { CourseRow, CourseView, TrackRow, TrackView, WaterDayView, WaterReading } from './water';

interface Removed {
  readonly removed: true;
}

/** By method and path under `/api/v1`; what answers with a file, a stream or nothing is not in it. */
export interface Answers {
  'POST /account/sign-in': Me;
  'GET /account/sign-ins': readonly SignInView[];
  'GET /account/club': ClubRulesView;
  'PUT /account/club': ClubRulesView;
  'GET /account/me': Me | null;
  'GET /setup': SetupView;
  'POST /setup': Me;
  'GET /invitations': readonly InvitationView[];
  'POST /invitations': InvitationMade;
  'POST /invitations/look': InvitationLook;
  'POST /invitations/accept': Me;
  'GET /accounts': readonly AccountView[];
  'PUT /accounts/{id}': AccountView;
  'POST /accounts/{id}/reset-link': LinkView;
  'POST /account/reset/look': ResetLook;
  'GET /swimmers': Page<SwimmerRow>;
  'GET /swimmers/{id}': SwimmerPage;
  'PUT /swimmers/{id}': Swimmer;
  'DELETE /swimmers/{id}': Erasing;
  'PUT /swimmers/{id}/ladder-marks/{markId}': SwimmerPage;
  'DELETE /swimmers/{id}/ladder-marks/{markId}': SwimmerPage;
  'GET /swimmers/{id}/erasing': Erasing;
  'GET /looks': LooksPage;
  'GET /squads': readonly Squad[];
  'PUT /squads/{id}': Squad;
  'POST /roster/preview': RosterPreview;
  'POST /roster/commit': RosterDone;
  'GET /roster': readonly RosterImport[];
  'POST /roster/{id}/undo': RosterImport;
  'GET /coaches': readonly Coach[];
  'GET /reviews/{id}': ReviewView;
  'PUT /reviews/{id}': ReviewView;
  'GET /outcomes': readonly DrillRecord[];
  'GET /focuses/{id}': FocusView;
  'PUT /focuses/{id}': FocusView;
  'PUT /focuses/{id}/tries/{tryId}': FocusView;
  'DELETE /focuses/{id}/tries/{tryId}': FocusView;
  'GET /clips/{id}': ClipView;
  'PUT /clips/{id}': ClipView;
  'GET /clips/{id}/stills': ClipStills;
  'PUT /clips/{id}/stills': ClipStills;
  'GET /swimmers/{id}/stills': ThenAndNow;
  'GET /sent-clips': readonly SentClip[];
  'PUT /sent-clips/{id}': SentClip;
  'POST /sent-clips/{id}/sent': SentClip;
  'PUT /sent-clips/{id}/answer': SentClip;
  'GET /focuses/{id}/handout': Handout;
  'GET /handout-links': readonly HandoutLink[];
  'PUT /handout-links/{id}': HandoutLink;
  'POST /handout-links/{id}/revoke': HandoutLink;
  'GET /handouts/{token}': Handout;
  'GET /library': LibraryView;
  'GET /library/file': LibraryFile;
  'PUT /library/entry': LibraryView;
  'POST /library/import': LibraryView;
  'GET /eye/tries': EyeHistory;
  'PUT /eye/tries/{id}': EyeHistory;
  'GET /sessions': readonly SessionRow[];
  'GET /sessions/proposal': SessionProposal;
  'GET /sessions/{id}': SessionView;
  'PUT /sessions/{id}': SessionView;
  'DELETE /sessions/{id}': Removed;
  'POST /sessions/{id}/series': SeriesChanged;
  'GET /sessions/{id}/people': readonly SessionPerson[];
  'PUT /sessions/{id}/rating': { readonly value: number };
  'GET /load': LoadView;
  'GET /calendar-links': readonly CalendarLink[];
  'PUT /calendar-links/{id}': CalendarLink;
  'POST /calendar-links/{id}/revoke': CalendarLink;
  'GET /deck/today': DeckToday;
  'GET /deck/packs': readonly DeckPack[];
  'GET /deck/packs/{id}': DeckPack;
  'GET /deck/runs/{id}/events': EventsPage;
  'POST /deck/runs/{id}/events': { readonly stored: number };
  'GET /swimmers/{id}/records': RecordsView;
  'PUT /tests/{id}': TestView;
  'DELETE /tests/{id}': Removed;
  'GET /results': ResultsPage;
  'PUT /results/{id}': ClubResult;
  'DELETE /results/{id}': Removed;
  'PUT /imports/{id}/{chunk}': { readonly kept: number };
  'GET /imports': readonly ImportView[];
  'GET /imports/{id}': ImportState;
  'DELETE /imports/{id}': { readonly dropped: true };
  'POST /imports/{id}/check': ImportCheck;
  'POST /imports/{id}/commit': ImportView;
  'POST /imports/{id}/undo': ImportView;
  'POST /club/archive': ArchiveTaken;
  'GET /courses': readonly CourseRow[];
  'GET /courses/{id}': CourseView;
  'PUT /courses/{id}': CourseView;
  'DELETE /courses/{id}': CourseView;
  'POST /courses/{id}/restore': CourseView;
  'GET /courses/{id}/days': readonly WaterDayView[];
  'GET /courses/{id}/readings': readonly WaterReading[];
  'PUT /courses/{id}/readings/{date}/{hour}': WaterReading;
  'PUT /water-days/{id}': { readonly id: string };
  'GET /courses/{id}/tracks': readonly TrackRow[];
  'GET /swimmers/{id}/tracks': readonly TrackRow[];
  'GET /tracks/{id}': TrackView;
  'PUT /tracks/{id}': TrackView;
  'DELETE /tracks/{id}': Removed;
  'GET /swimmers/{id}/race-plan': RacePlanView;
  'PUT /swimmers/{id}/race-plan': RacePlanView;
  'GET /season': SeasonPage;
  'POST /season/plan': JobView;
  'GET /jobs/{id}': JobView;
  'POST /jobs/{id}/stop': JobView;
  'GET /my-week': MyWeek;
  'POST /compute/length-metrics': LengthMetrics;
  'POST /compute/critical-speed': CriticalSpeed;
  'POST /compute/rate-ramp': RateRamp;
  'POST /compute/race-time': RaceTime;
  'POST /compute/effort-pace': { readonly speedMps: number; readonly paceSPer100m: number };
  'POST /compute/breathing': {
    readonly breathsPerMinute: number;
    readonly secondsBetween: number;
    readonly left: number;
    readonly right: number;
  };
  'POST /compute/causes': Inference;
  'POST /compute/load': { readonly load: number };
  'POST /compute/drafting-limit': { readonly angleDeg: number };
}
