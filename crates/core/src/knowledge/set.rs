//! All knowledge, once it has been let in.

use super::advice::{Advice, MayRow};
use super::asks::{AttestationRow, PositionRow, PrecautionRow};
use super::clinical_test::{ClinicalTest, Cluster, Hypothesis, TestKind};
use super::criteria::{Criterion, CriterionKind};
use super::distance::DistanceRow;
use super::dose::Pace;
use super::elastic::ElasticRow;
use super::exercise::{DemandClass, Exercise};
use super::instrument::Instrument;
use super::modifier::Modifier;
use super::pathway::{DroppedFloor, Pathway};
use super::range_demand::RangeDemand;
use super::rows::{
    AskRow, Bound, GateClass, HealthItem, Movement, NeedRow, Quantity, ReasonRow, RedFlag,
    Reference, Threshold,
};
use super::school::School;
use super::step::Step;
use super::strength_test::StrengthTest;
use super::watch::Watch;
use crate::mechanics::SegmentTable;
use std::collections::{BTreeMap, BTreeSet};

/// Everything the application knows, checked.
#[derive(Debug, Clone, Default)]
pub struct Knowledge {
    /// Publications, by id.
    pub references: BTreeMap<String, Reference>,
    /// Measured ranges, in order of examination.
    pub quantities: Vec<Quantity>,
    /// Red flags, most urgent first.
    pub red_flags: Vec<RedFlag>,
    /// What texts may say that flags must ask about, by language.
    pub lexicon: BTreeMap<String, Vec<AskRow>>,
    /// General health that changes a plan.
    pub health: Vec<HealthItem>,
    /// Forbidden positions that a release lifts.
    pub positions: Vec<PositionRow>,
    /// Reasons that are given with one key, in order.
    pub reasons: Vec<ReasonRow>,
    /// Classes of exercises, by id.
    pub gate_classes: BTreeMap<String, GateClass>,
    /// Exercises, by id.
    pub exercises: BTreeMap<String, Exercise>,
    /// What answers a need.
    pub needs: Vec<NeedRow>,
    /// What else was done or is known, and what that tightens.
    pub modifiers: Vec<Modifier>,
    /// Schools that concern every pathway.
    pub schools: Vec<School>,
    /// What is watched for in several pathways.
    pub watches: Vec<Watch>,
    /// What rungs ask for before the next one.
    pub steps: Vec<Step>,
    /// What is attested at gates, and what it asks.
    pub attestations: Vec<AttestationRow>,
    /// What can be found out while the patient is not in the room.
    pub distance: Vec<DistanceRow>,
    /// What precautions go with.
    pub precautions: Vec<PrecautionRow>,
    /// What is worth knowing beside the exercises, the weightiest first.
    pub advice: Vec<Advice>,
    /// What of daily life somebody asks about.
    pub may: Vec<MayRow>,
    /// Pathways, by id.
    pub pathways: BTreeMap<String, Pathway>,
    /// What a shoulder may have, in order of the page.
    pub hypotheses: Vec<Hypothesis>,
    /// Clinical tests, in order of examination.
    pub tests: Vec<ClinicalTest>,
    /// What a frame of a movement asks of each measured range.
    pub range_demands: Vec<RangeDemand>,
    /// Strength in standard positions, in order.
    pub strength: Vec<StrengthTest>,
    /// Levels of elastic, until measured.
    pub elastics: Vec<ElasticRow>,
    /// What an arm weighs; the first without a sex is used.
    pub segments: Vec<SegmentTable>,
    /// Outcome scores.
    pub scores: Vec<Instrument>,
    /// Tests that were studied together.
    pub clusters: Vec<Cluster>,
    /// What a number typed into a field may be, by the field's name.
    pub bounds: BTreeMap<String, Bound>,
    /// Thresholds of the rules, by id.
    pub thresholds: BTreeMap<String, Threshold>,
    /// Floors that came too soon after their movement opened.
    pub dropped_floors: Vec<DroppedFloor>,
    /// SHA-256 of `canonical`, in hex.
    pub sha256: String,
    /// Canonical JSON of all files, for the release table.
    pub canonical: String,
    /// What the texts of patients ask, as far as they were read lately.
    pub(crate) screened: super::hits::Screened,
}

/// Thresholds the rules name in code; the loader refuses a set without one of them.
pub(crate) const REQUIRED_THRESHOLDS: [&str; 163] = [
    "shoe-length-m",
    "hold-most-s",
    "severity-points-young",
    "severity-points-lax",
    "severity-points-competition",
    "severity-points-contact",
    "severity-points-notch",
    "severity-points-rim",
    "irritability-least-votes",
    "irritability-highs",
    "irritability-highs-moderate",
    "gate-wants-days",
    "repetition-s",
    "breath-s",
    "minutes-tolerance",
    "agreement-moderate",
    "agreement-good",
    "agreement-excellent",
    "force-possible-least-n",
    "force-possible-most-n",
    "force-gap-s",
    "push-least-s",
    "push-least-n",
    "push-onset-pct",
    "push-top-pct",
    "push-plateau-pct",
    "angle-possible-least-deg",
    "angle-possible-most-deg",
    "angle-held-s",
    "angle-steady-deg",
    "angle-least-samples",
    "sling-elevation-deg",
    "sling-internal-deg",
    "sling-plane-deg",
    "trend-least-measurements",
    "trend-least-days",
    "trend-furthest-days",
    "least-stay-days",
    "gate-due-days",
    "slow-or-quick-days-per-week",
    "severity-young-age-years",
    "severity-low-max",
    "severity-middle-max",
    "severity-lax-er-deg",
    "laxity-grown-from-years",
    "laxity-older-from-years",
    "laxity-child",
    "laxity-adult",
    "laxity-older",
    "informative-ratio",
    "conflict-ratio",
    "landmark-within-deg",
    "between-studies-spread",
    "between-studies-weight",
    "further-groups-pct",
    "pre-test-unknown-pct",
    "job-load-kg",
    "job-overhead-h",
    "repetitions-step",
    "repetitions-step-long",
    "repetitions-long-above",
    "hold-step-s",
    "duration-step-s",
    "advice-most",
    "single-repetitions",
    "effort-least-pct",
    "effort-light-pct",
    "effort-half-pct",
    "effort-firm-pct",
    "duration-step-share-pct",
    "weight-step-kg",
    "weight-heavy-kg",
    "weight-step-share-pct",
    "helper-heals-days",
    "resisted-from-week",
    "demand-low-pct",
    "demand-moderate-pct",
    "demand-high-pct",
    "turn-minutes",
    "irritable-hold-s",
    "look-back-days",
    "near-position-deg",
    "light-load-kg",
    "light-elastic-level",
    "elastic-drift-pct",
    "elastic-again-days",
    "load-step-up",
    "load-step-up-most",
    "load-step-down",
    "load-step-down-least",
    "flare-least-m",
    "short-plan-minutes",
    "short-plan-exercises",
    "overdone-day-times",
    "injection-rest-days",
    "lax-young-age-years",
    "slipped-lately-days",
    "told-half-pct",
    "told-hardly-pct",
    "flare-nearer-m",
    "flag-back-days",
    "unread-lead-minutes",
    "remind-hours-before",
    "remind-quiet-from-hour",
    "remind-quiet-until-hour",
    "home-silent-days",
    "arm-share-of-body-pct",
    "helper-share-pulley",
    "helper-share-stick",
    "helper-share-hand",
    "top-sessions",
    "top-sessions-operated",
    "pain-baseline-days",
    "morning-window-days",
    "morning-rise-points",
    "morning-worse-days",
    "pain-above-sessions",
    "flare-days-in-week",
    "adherence-days",
    "adherence-pct",
    "symptom-free-days",
    "overdone-pct",
    "effort-max",
    "quick-work-pain-max",
    "gap-lower-days",
    "gap-one-rung-days",
    "gap-two-rungs-days",
    "step-back-cut-pct",
    "step-back-delay-days",
    "elastic-may-repetitions",
    "elastic-must-repetitions",
    "front-back-ratio",
    "build-weight-need",
    "build-weight-goal",
    "build-weight-keep",
    "build-weight-minute",
    "sudden-er-gain-deg",
    "change-window-days",
    "repeat-self-measure-days",
    "recent-trouble-days",
    "first-visit-new-exercises",
    "later-visit-new-exercises",
    "finding-max-age-days",
    "irritability-max-age-days",
    "frozen-er-share-pct",
    "frozen-er-deg",
    "frozen-plane-loss-pct",
    "frozen-planes",
    "strength-variation-pct",
    "different-rater-factor",
    "worthwhile-change-deg",
    "pectoralis-minor-short",
    "lag-positive-deg",
    "irritability-pain-high",
    "irritability-pain-moderate",
    "strength-pain-limit",
    "symmetry-goal-pct",
    "response-points",
    "word-likely-pct",
    "word-likely-low-pct",
    "word-unlikely-pct",
    "word-unlikely-high-pct",
    "plan-least-bits",
];

impl Knowledge {
    /// A threshold of a rule. Every id used in code is required at load, so the fallback is never met.
    pub fn threshold(&self, id: &str) -> f64 {
        debug_assert!(
            REQUIRED_THRESHOLDS.contains(&id),
            "threshold {id} is not required at load"
        );
        self.thresholds.get(id).map_or(0.0, |row| row.value)
    }

    /// A threshold that a row names; the loader refuses a row that names one that is not there.
    pub fn named_threshold(&self, id: &str) -> f64 {
        self.thresholds.get(id).map_or(0.0, |row| row.value)
    }

    /// How long a repetition and a breath take where a dose does not say so.
    pub fn pace(&self) -> Pace {
        Pace {
            repetition_s: self.threshold("repetition-s") as u32,
            breath_s: self.threshold("breath-s") as u32,
        }
    }

    /// A distance in metres as a number of shoes, to the next half, half a shoe at least: what somebody can measure without a tape.
    pub fn shoes(&self, metres: f64) -> f64 {
        let halves = (2.0 * metres / self.threshold("shoe-length-m")).round();
        halves.max(1.0) / 2.0
    }

    /// From where on an intraclass correlation is called moderate, good, excellent.
    pub fn agreement_bands(&self) -> [f64; 3] {
        ["moderate", "good", "excellent"].map(|word| self.threshold(&format!("agreement-{word}")))
    }

    /// Clinical tests in which the arm is placed and drops back, in order of examination.
    pub fn lag_tests(&self) -> impl Iterator<Item = &ClinicalTest> {
        self.tests.iter().filter(|t| t.kind == TestKind::Lag)
    }

    /// Whether a test is one of those.
    pub fn is_lag_test(&self, id: &str) -> bool {
        self.test(id).is_some_and(|t| t.kind == TestKind::Lag)
    }

    /// How much an exercise asks of the most active muscle.
    pub fn demand_class(&self, exercise: &Exercise) -> DemandClass {
        let band = |id| self.threshold(id);
        DemandClass::of(
            &exercise.activity,
            [
                band("demand-low-pct"),
                band("demand-moderate-pct"),
                band("demand-high-pct"),
            ],
        )
    }

    /// The error of measurement of a range, in its unit. Of a range without a row nothing is known, so nothing counts as a change.
    pub fn error_of(&self, quantity: &str) -> f64 {
        self.quantity(quantity).map_or(f64::INFINITY, |q| q.error)
    }

    /// So much of a range lost since the last time calls for a look, in its unit.
    pub fn loss_of(&self, quantity: &Quantity) -> Option<f64> {
        let id = quantity.loss.as_deref()?;
        Some(self.named_threshold(id))
    }

    /// Whether a quantity measures elevation; all elevations are cut together.
    pub fn is_elevation(&self, quantity: &str) -> bool {
        let row = self.quantity(quantity);
        row.is_some_and(|q| q.movement == Movement::Elevation)
    }

    /// Whether a value typed into a field is possible; a field without a row is not bounded.
    ///
    /// # Errors
    /// The bound it breaks.
    pub fn possible(&self, field: &str, value: f64) -> Result<(), &Bound> {
        match self.bounds.get(field) {
            Some(bound) if !bound.holds(value) => Err(bound),
            _ => Ok(()),
        }
    }

    /// Everything that any exercise needs, once.
    pub(crate) fn all_kit(&self) -> Vec<String> {
        let kit = self.exercises.values().flat_map(|e| e.kit.iter().cloned());
        kit.collect::<BTreeSet<_>>().into_iter().collect()
    }

    /// The segment table that is used: the one for everybody. A release from before there were tables has none.
    pub fn segment_table(&self) -> Option<&SegmentTable> {
        self.segments.iter().find(|t| t.sex.is_none())
    }

    /// A measured range by id.
    pub fn quantity(&self, id: &str) -> Option<&Quantity> {
        self.quantities.iter().find(|q| q.id == id)
    }

    /// A clinical test by id.
    pub fn test(&self, id: &str) -> Option<&ClinicalTest> {
        self.tests.iter().find(|t| t.id == id)
    }

    /// A hypothesis by id.
    pub fn hypothesis(&self, id: &str) -> Option<&Hypothesis> {
        self.hypotheses.iter().find(|h| h.id == id)
    }

    /// Whether a gate or a watch asks for this score, or the visit always does.
    pub fn asks_score(&self, id: &str) -> bool {
        fn asks(criterion: &Criterion, id: &str) -> bool {
            let own = match &criterion.ask {
                CriterionKind::Score { score, .. } | CriterionKind::ScoreChange { score, .. } => {
                    score == id
                }
                _ => false,
            };
            own || criterion.ask.parts().iter().any(|part| asks(part, id))
        }
        let pathways = self.pathways.values();
        let gates = pathways
            .clone()
            .flat_map(|p| p.gates.iter().flat_map(|g| &g.criteria));
        let watches = pathways
            .flat_map(|p| &p.watches)
            .chain(&self.watches)
            .flat_map(|w| &w.when);
        ["rest-pain", "task-pain", "confidence"].contains(&id)
            || gates.chain(watches).any(|c| asks(c, id))
    }

    /// A red flag by id.
    pub fn red_flag(&self, id: &str) -> Option<&RedFlag> {
        self.red_flags.iter().find(|f| f.id == id)
    }
}
