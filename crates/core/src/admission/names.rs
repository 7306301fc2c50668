//! Checks across files: every id that is named exists, every number makes sense, every row has a source.

use super::error::KnowledgeError;
use super::pathways;
use crate::knowledge::{Exercise, Formula, Instrument, Knowledge, REQUIRED_THRESHOLDS};
use crate::mechanics::{AnchorHeight, AnchorSide, Load};

/// Sources that are not publications.
pub(super) const PLAIN_SOURCES: [&str; 3] = [
    "common practice, no published source",
    "our choice",
    "arithmetic",
];

/// Human limits of a drawn and checked arm, in degrees (textbook ranges with room, from memory).
const PLANE: [f64; 2] = [-90.0, 140.0];

const ELEVATION: [f64; 2] = [0.0, 180.0];

const TWIST: [f64; 2] = [-110.0, 120.0];

/// Rotation of a raised arm as a clinic reads it.
const CLINIC: [f64; 2] = [-100.0, 120.0];

const ELBOW: [f64; 2] = [0.0, 150.0];

/// Parts that a formula takes by their place.
fn parts_of(formula: Formula) -> Option<usize> {
    match formula {
        Formula::PainAndFunction | Formula::Reaches => Some(2),
        Formula::PainSatisfactionFunction => Some(3),
        Formula::PainActivityRangeStrength => Some(10),
        _ => None,
    }
}

fn check_score(row: &Instrument, faults: &mut Vec<KnowledgeError>) {
    let mut fault = |field: &str, problem: String| {
        faults.push(KnowledgeError::at("scores.toml", &row.id, field, problem))
    };
    for part in &row.parts {
        if part.min >= part.max || part.items == 0 || part.may_miss >= part.items {
            fault(
                "parts",
                format!(
                    "`{}` needs items, min below max, and fewer missing than items",
                    part.id
                ),
            );
        }
    }
    if row.parts.is_empty() || parts_of(row.formula).is_some_and(|n| n != row.parts.len()) {
        fault(
            "parts",
            format!("{:?} needs {:?} parts", row.formula, parts_of(row.formula)),
        );
    }
    if row.formula == Formula::MeanStretched
        && row
            .parts
            .windows(2)
            .any(|w| (w[0].min, w[0].max) != (w[1].min, w[1].max))
    {
        fault(
            "parts",
            "all parts must share one range to be stretched".to_owned(),
        );
    }
    if row.detectable.is_some() != row.detectable_level.is_some_and(|l| l == 90.0 || l == 95.0) {
        fault("detectable_level", "90 or 95, with `detectable`".to_owned());
    }
    if row.range[0] >= row.range[1] {
        fault("range", "least below greatest".to_owned());
    }
    if row.change_source.is_some() != row.change_confidence.is_some() {
        fault("change_confidence", "with `change_source`".to_owned());
    }
    for (field, own, others) in [
        (
            "important_elsewhere",
            row.important,
            row.important_elsewhere,
        ),
        (
            "detectable_elsewhere",
            row.detectable,
            row.detectable_elsewhere,
        ),
    ] {
        let sound = |[low, high]: [f64; 2]| 0.0 < low && low <= high;
        if others.is_some_and(|o| own.is_none() || !sound(o)) {
            fault(
                field,
                "least and greatest, beside a value of the row's own".to_owned(),
            );
        }
    }
}

/// Fields that are typed somewhere: a number without its bound would be let through.
const REQUIRED_BOUNDS: [&str; 39] = [
    "appointment_minutes",
    "home_times",
    "missed_days",
    "note_characters",
    "message_characters",
    "mass_kg",
    "height_cm",
    "minutes_per_day",
    "job_load_kg",
    "job_overhead_h",
    "slips_per_week",
    "task_score",
    "until_day",
    "line_day",
    "force_n",
    "lever_m",
    "pain",
    "score_0_10",
    "vote",
    "probability",
    "sessions",
    "done_repetitions",
    "sets",
    "repetitions",
    "hold_s",
    "rest_s",
    "times_per_day",
    "days_per_week",
    "load_kg",
    "elastic_level",
    "effort_pct",
    "tempo_s",
    "duration_s",
    "pull_n",
    "peak_nm",
    "point_n",
    "distance_m",
    "weekdays",
    "elongation_pct",
];

/// Ranges that movements ask something of. A ceiling of one without a row would hold nothing back.
const ASKED_OF: [&str; 10] = [
    "passive-elevation",
    "active-elevation-upright",
    "active-elevation-lying",
    "passive-er-side",
    "passive-ir-side",
    "passive-er-90",
    "passive-ir-90",
    "passive-abduction",
    "active-extension",
    "horizontal-adduction",
];

pub(super) fn thresholds(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for id in REQUIRED_BOUNDS {
        match known.bounds.get(id) {
            Some(row) if row.min < row.max && row.decimals <= 3 => {}
            _ => faults.push(KnowledgeError::at(
                "bounds.toml",
                id,
                "min",
                "this field needs a least and a greatest value and at most 3 decimals",
            )),
        }
    }
    for quantity in ASKED_OF {
        if !known.range_demands.iter().any(|r| r.quantity == quantity) {
            faults.push(KnowledgeError::at(
                "range-demands.toml",
                quantity,
                "quantity",
                "movements must say what they ask of this range",
            ));
        }
    }
    for row in &known.range_demands {
        if known.quantity(&row.quantity).is_none() {
            let problem = format!("`{}` is not a quantity", row.quantity);
            faults.push(KnowledgeError::at(
                "range-demands.toml",
                &row.id,
                "quantity",
                problem,
            ));
        }
    }
    for id in REQUIRED_THRESHOLDS {
        if !known.thresholds.contains_key(id) {
            faults.push(KnowledgeError::at(
                "thresholds.toml",
                id,
                "id",
                "this threshold is used by a rule and is missing",
            ));
        }
    }
}

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for row in &known.positions {
        let strange = row
            .released_by
            .iter()
            .filter(|q| known.quantity(q).is_none());
        for quantity in strange {
            let problem = format!("`{quantity}` is not a quantity");
            faults.push(KnowledgeError::at(
                "positions.toml",
                &row.id,
                "released_by",
                problem,
            ));
        }
    }
    let mut source = |file: &str, row: &str, text: &str| {
        if !PLAIN_SOURCES.contains(&text) && !known.references.contains_key(text) {
            let problem =
                format!("`{text}` is neither in references.toml nor one of {PLAIN_SOURCES:?}");
            faults.push(KnowledgeError::at(file, row, "source", problem));
        }
    };
    known
        .quantities
        .iter()
        .for_each(|r| source("quantities.toml", &r.id, &r.source));
    known
        .red_flags
        .iter()
        .for_each(|r| source("red-flags.toml", &r.id, &r.source));
    for (language, rows) in &known.lexicon {
        let file = format!("lexicon/{language}.toml");
        rows.iter().for_each(|r| source(&file, &r.flag, &r.source));
    }
    known
        .health
        .iter()
        .for_each(|r| source("health.toml", &r.id, &r.source));
    known
        .positions
        .iter()
        .for_each(|r| source("positions.toml", &r.id, &r.source));
    known
        .reasons
        .iter()
        .for_each(|r| source("reasons.toml", &r.id, &r.source));
    known
        .range_demands
        .iter()
        .for_each(|r| source("range-demands.toml", &r.id, &r.source));
    known
        .thresholds
        .values()
        .for_each(|r| source("thresholds.toml", &r.id, &r.source));
    known
        .strength
        .iter()
        .for_each(|r| source("strength.toml", &r.id, &r.source));
    known
        .elastics
        .iter()
        .for_each(|r| source("elastics.toml", &r.id, &r.source));
    known
        .segments
        .iter()
        .for_each(|r| source("segments.toml", &r.id, &r.source));
    known.scores.iter().for_each(|r| {
        source("scores.toml", &r.id, &r.source);
        r.change_source
            .iter()
            .for_each(|text| source("scores.toml", &r.id, text));
    });
    known
        .gate_classes
        .values()
        .for_each(|r| source("gate-classes.toml", &r.id, &r.source));
    known
        .exercises
        .values()
        .for_each(|r| source("exercises/", &r.id, &r.source));
    known
        .needs
        .iter()
        .for_each(|r| source("needs.toml", &r.id, &r.source));
    known
        .bounds
        .values()
        .for_each(|r| source("bounds.toml", &r.id, &r.source));
    known
        .attestations
        .iter()
        .for_each(|r| source("attestations.toml", &r.id, &r.source));
    known
        .distance
        .iter()
        .for_each(|r| source("distance.toml", &format!("{:?}", r.id), &r.source));
    known
        .precautions
        .iter()
        .for_each(|r| source("precautions.toml", &r.id, &r.source));
    known
        .advice
        .iter()
        .for_each(|r| source("advice.toml", &r.id, &r.source));
    known
        .may
        .iter()
        .for_each(|r| source("may.toml", &r.id, &r.source));
    pathways::sources(known, &mut source);
    for need in &known.needs {
        for ladder in need
            .ladders
            .iter()
            .filter(|l| !known.exercises.values().any(|e| &e.ladder == *l))
        {
            faults.push(KnowledgeError::at(
                "needs.toml",
                &need.id,
                "ladders",
                format!("no ladder `{ladder}`"),
            ));
        }
    }
    for quantity in &known.quantities {
        if quantity.min >= quantity.max
            || !(quantity.min..=quantity.max).contains(&quantity.reference)
        {
            faults.push(KnowledgeError::at(
                "quantities.toml",
                &quantity.id,
                "reference",
                "lies outside min and max",
            ));
        }
        let named = quantity.partner.iter().map(|id| ("partner", id));
        let named = named
            .chain(quantity.guard.iter().map(|id| ("guard", id)))
            .chain(quantity.shown_by.iter().map(|id| ("shown_by", id)));
        for (field, id) in named.filter(|(_, id)| known.quantity(id).is_none()) {
            faults.push(KnowledgeError::at(
                "quantities.toml",
                &quantity.id,
                field,
                format!("no quantity `{id}`"),
            ));
        }
    }
    for table in &known.segments {
        for (field, s) in [
            ("upper_arm", table.upper_arm),
            ("forearm", table.forearm),
            ("hand", table.hand),
        ] {
            let shares = [
                (s.mass, 0.001, 0.06),
                (s.length, 0.02, 0.3),
                (s.centre, 0.2, 0.9),
            ];
            if shares
                .iter()
                .any(|(v, min, max)| !(*min..=*max).contains(v))
            {
                faults.push(KnowledgeError::at(
                    "segments.toml",
                    &table.id,
                    field,
                    "shares outside what an arm can have",
                ));
            }
        }
    }
    for row in &known.scores {
        if let Some(test) = row.test.as_ref().filter(|t| known.test(t).is_none()) {
            faults.push(KnowledgeError::at(
                "scores.toml",
                &row.id,
                "test",
                format!("no test `{test}`"),
            ));
        }
        check_score(row, faults);
    }
    for exercise in known.exercises.values() {
        check_exercise(known, exercise, faults);
    }
    pathways::all(known, faults);
}

fn check_exercise(known: &Knowledge, exercise: &Exercise, faults: &mut Vec<KnowledgeError>) {
    let file = format!("exercises/{}.toml", exercise.ladder);
    let mut fault = |field: &str, problem: String| {
        faults.push(KnowledgeError::at(&file, &exercise.id, field, problem))
    };
    for gate in exercise
        .gates
        .iter()
        .filter(|gate| !known.gate_classes.contains_key(*gate))
    {
        fault("gates", format!("no gate class `{gate}`"));
    }
    if exercise.gates.is_empty() {
        fault("gates", "needs at least one gate class".to_owned());
    }
    for next in exercise
        .next
        .iter()
        .filter(|next| !known.exercises.contains_key(*next))
    {
        fault("next", format!("no exercise `{next}`"));
    }
    if let Some(adapts) = &exercise.adapts
        && known.quantity(&adapts.quantity).is_none()
    {
        fault(
            "adapts.quantity",
            format!("no quantity `{}`", adapts.quantity),
        );
    }
    if let Some(bad) = exercise.dose.fault(known) {
        fault(
            &format!("dose.{}", bad.field),
            format!("{} is outside {} to {}", bad.given, bad.min, bad.max),
        );
    }
    let range = &exercise.range;
    for (field, value, [low, high]) in [
        ("sets", exercise.dose.sets, range.sets),
        ("repetitions", exercise.dose.repetitions, range.repetitions),
        ("hold_s", exercise.dose.hold_s, range.hold_s),
        (
            "times_per_day",
            exercise.dose.times_per_day,
            range.times_per_day,
        ),
    ] {
        if !(low..=high).contains(&value) {
            fault(
                &format!("dose.{field}"),
                format!("{value} is outside the row's own range {low} to {high}"),
            );
        }
    }
    match (exercise.dose.duration_s, range.duration_s) {
        (None, None) => {}
        (Some(seconds), Some([low, high])) if (low..=high).contains(&seconds) => {
            if (range.repetitions, range.hold_s) != ([1, 1], [0, 0]) {
                fault(
                    "range.duration_s",
                    "timed work has one repetition and no hold".to_owned(),
                );
            }
        }
        (given, range) => fault(
            "dose.duration_s",
            format!("{given:?} and the range {range:?} do not fit together"),
        ),
    }
    if let Some([_, pause, _]) = exercise.dose.tempo_s
        && (exercise.dose.duration_s.is_some() || pause > 0 && range.hold_s[1] > 0)
    {
        fault(
            "dose.tempo_s",
            "timed work has no tempo, and a pause is told either as tempo or as hold".to_owned(),
        );
    }
    if exercise.path.is_empty() {
        fault("path", "needs at least one key pose".to_owned());
    }
    for (i, key) in exercise.path.iter().enumerate() {
        let Some(pose) = key.pose() else {
            fault(
                &format!("path[{i}]"),
                "give exactly one of twist_deg and clinic_rotation_deg".to_owned(),
            );
            continue;
        };
        for (field, value, [low, high]) in [
            ("plane_deg", pose.plane_deg, PLANE),
            ("elevation_deg", pose.elevation_deg, ELEVATION),
            if pose.elevation_deg < 45.0 {
                ("twist_deg", pose.twist_deg(), TWIST)
            } else {
                ("clinic_rotation_deg", pose.clinic_deg(), CLINIC)
            },
            ("elbow_deg", pose.elbow_deg, ELBOW),
        ] {
            if !(low..=high).contains(&value) {
                fault(
                    &format!("path[{i}].{field}"),
                    format!("{value}° is outside human range {low}° to {high}°"),
                );
            }
        }
    }
}

/// What a new release must keep and an old one need not: no leaps between key poses, loads that can be.
pub(super) fn paths_and_loads(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    if known.segment_table().is_none() {
        faults.push(KnowledgeError::at(
            "segments.toml",
            "-",
            "sex",
            "needs one table for everybody",
        ));
    }
    for exercise in known.exercises.values() {
        let file = format!("exercises/{}.toml", exercise.ladder);
        let mut fault = |field: &str, problem: String| {
            faults.push(KnowledgeError::at(&file, &exercise.id, field, problem))
        };
        if let Some((key, deg)) = exercise.path().jumps() {
            fault(
                &format!("path[{key}]"),
                format!(
                    "turns {deg:.0}° from the key pose before: put one between, at most 90° apart"
                ),
            );
        }
        match exercise.load {
            Load::Elastic { anchor, .. } => {
                if !(0.0..=4.0).contains(&anchor.distance_m) {
                    fault(
                        "load.anchor.distance_m",
                        format!("{} is outside 0 to 4", anchor.distance_m),
                    );
                }
                let low = matches!(
                    anchor.height,
                    AnchorHeight::Floor | AnchorHeight::Ankle | AnchorHeight::Knee
                );
                if anchor.side != AnchorSide::Under && !low && anchor.distance_m < 0.25 {
                    fault(
                        "load.anchor.distance_m",
                        format!("{} m lies inside the body", anchor.distance_m),
                    );
                }
                if exercise.dose.elastic_level.is_none() {
                    fault("dose.elastic_level", "an elastic needs a level".to_owned());
                }
            }
            Load::Weight if exercise.dose.load_kg.is_none() => {
                fault("dose.load_kg", "a weight needs kilograms".to_owned())
            }
            Load::Support { share } | Load::Carried { share } if !(0.0..=1.0).contains(&share) => {
                fault("load.share", format!("{share} is outside 0 to 1"));
            }
            _ => {}
        }
        for row in &exercise.activity {
            if !PLAIN_SOURCES.contains(&row.source.as_str())
                && !known.references.contains_key(&row.source)
            {
                fault(
                    "activity.source",
                    format!("`{}` is not in references.toml", row.source),
                );
            }
            if !(0.0..=200.0).contains(&row.percent) {
                fault(
                    "activity.percent",
                    format!("{} is outside 0 to 200", row.percent),
                );
            }
        }
    }
}

/// Every row of the lexicon names a flag and does with its own examples what it says.
pub(super) fn lexicon(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for (language, rows) in &known.lexicon {
        let file = format!("lexicon/{language}.toml");
        for row in rows {
            let mut fault = |field: &str, problem: String| {
                faults.push(KnowledgeError::at(&file, &row.flag, field, problem))
            };
            if known.red_flag(&row.flag).is_none() {
                fault("flag", "there is no such flag".to_owned());
            }
            let asks = |text: &String| {
                crate::knowledge::screen(known, text)
                    .iter()
                    .any(|hit| hit.flag == row.flag)
            };
            if let Some(text) = row.fires.iter().find(|text| !asks(text)) {
                fault("fires", format!("`{text}` is not asked about"));
            }
            if let Some(text) = row.silent.iter().find(|text| asks(text)) {
                fault("silent", format!("`{text}` is asked about"));
            }
        }
    }
}
