//! Sentences for rule ids: the Fluent catalogues of `locales/`, read by paper and calendar.
//!
//! The screens read the same files in TypeScript, by the same convention: an argument that names a row
//! (`quantity`, `exercise`, `group` …) is first looked up as `<argument>-<value>`.

mod catalogues;
#[cfg(test)]
mod whole;

use catalogues::{ENGLISH, ITALIAN};
use chrono::{Datelike, NaiveDate};
use fluent_bundle::concurrent::FluentBundle;
use fluent_bundle::{FluentArgs, FluentResource, FluentValue};
use ritorno_core::facts::Language;
use ritorno_core::reason::{Arg, Reason};
use ritorno_core::rules::Spoken;
use thiserror::Error;

/// Arguments that are measurements: they carry their unit into the sentence.
const MEASURED: [&str; 12] = [
    "ceiling", "floor", "value", "before", "gain", "peak", "needs", "active", "passive", "gap",
    "bound", "error",
];

/// A catalogue that cannot be used.
#[derive(Debug, Error)]
#[error("locale {0}: {1}")]
pub struct WordingError(&'static str, String);

/// One language.
pub struct Wording {
    bundle: FluentBundle<FluentResource>,
}

/// An argument of a sentence.
#[derive(Debug, Clone, PartialEq)]
pub enum Value<'a> {
    /// A number.
    Number(f64),
    /// A text, or the id of a row.
    Text(&'a str),
}

impl Wording {
    /// British English, which has every sentence.
    ///
    /// # Errors
    /// When a catalogue does not parse or names a message twice.
    pub fn english() -> Result<Self, WordingError> {
        Wording::of(Language::English)
    }

    /// A language: in all but English there is what patients read.
    ///
    /// # Errors
    /// When a catalogue does not parse or names a message twice.
    pub fn of(language: Language) -> Result<Self, WordingError> {
        let (code, texts): (_, &[&str]) = match language {
            Language::English => ("en-GB", &ENGLISH),
            Language::Italian => ("it-IT", &ITALIAN),
        };
        let failed = |error: String| WordingError(code, error);
        let locale = code.parse().map_err(|error| failed(format!("{error}")))?;
        let mut bundle = FluentBundle::new_concurrent(vec![locale]);
        // Marks around arguments are for mixed writing directions and would show on paper.
        bundle.set_use_isolating(false);
        if language == Language::Italian {
            bundle.set_formatter(Some(with_comma));
        }
        for text in texts {
            let resource = FluentResource::try_new((*text).to_owned())
                .map_err(|(_, errors)| failed(format!("{errors:?}")))?;
            bundle
                .add_resource(resource)
                .map_err(|errors| failed(format!("{errors:?}")))?;
        }
        Ok(Wording { bundle })
    }

    /// A civil date with its month in full.
    pub fn date(&self, day: NaiveDate) -> String {
        let month = self.say(&format!("phone-month-{}", day.month()), &[]);
        // Digits as they are counted here: no thousands are set apart.
        let year = day.year().to_string();
        let args = [
            ("day", Value::Number(f64::from(day.day()))),
            ("month", Value::Text(&month)),
            ("year", Value::Text(&year)),
        ];
        self.say("paper-date", &args)
    }

    /// Whether there is a sentence for an id.
    pub fn has(&self, id: &str) -> bool {
        self.bundle.has_message(id)
    }

    /// The sentence of an id; the id itself where there is none, so that a gap is seen.
    pub fn say(&self, id: &str, args: &[(&str, Value)]) -> String {
        self.format(id, None, args).unwrap_or_else(|| id.to_owned())
    }

    /// An attribute of a message, e.g. how a test is done.
    pub fn attribute(&self, id: &str, attribute: &str) -> String {
        self.format(id, Some(attribute), &[]).unwrap_or_default()
    }

    /// Where an exercise starts, how it goes, what it helps with, in words for this arm: parts `start`, `how` and `task`.
    pub fn exercise(&self, id: &str, part: &str, spoken: Spoken) -> String {
        self.format(&format!("ex-{id}"), Some(part), &spoken_args(spoken))
            .unwrap_or_default()
    }

    /// A sentence for a patient, in words for this arm.
    pub fn to_patient(&self, id: &str, spoken: Spoken) -> String {
        self.say(id, &spoken_args(spoken))
    }

    /// The sentence of a reason, with a capital letter.
    pub fn reason(&self, reason: &Reason) -> String {
        let about = match reason.args.get("quantity") {
            Some(Arg::Text(quantity)) => Some(quantity.as_str()),
            _ => reason
                .rule
                .starts_with("flag-active")
                .then_some("elevation"),
        };
        let with_unit = |name: &str, arg: &Arg| match (arg, about) {
            (Arg::Number(n), Some(quantity))
                if MEASURED.contains(&name)
                    && !(name == "value" && reason.rule == "asks-measure-of-other") =>
            {
                let unit = if quantity == "hand-behind-back" {
                    "measured-level"
                } else {
                    "measured-deg"
                };
                // Digits as they are counted here: no thousands are set apart.
                Some(self.say(unit, &[("value", Value::Text(&n.to_string()))]))
            }
            _ => None,
        };
        let texts: Vec<(&str, Option<String>, &Arg)> = reason
            .args
            .iter()
            .map(|(name, arg)| (name.as_str(), with_unit(name, arg), arg))
            .collect();
        let args: Vec<(&str, Value)> = texts
            .iter()
            .map(|(name, text, arg)| {
                let value = match (text, arg) {
                    (Some(text), _) | (None, Arg::Text(text)) => Value::Text(text),
                    (None, Arg::Number(n)) => Value::Number(*n),
                };
                (*name, value)
            })
            .collect();
        capital(&self.say(&format!("rule-{}", reason.rule), &args))
    }

    fn format(&self, id: &str, attribute: Option<&str>, args: &[(&str, Value)]) -> Option<String> {
        let message = self.bundle.get_message(id)?;
        let pattern = match attribute {
            Some(name) => message.get_attribute(name)?.value(),
            None => message.value()?,
        };
        let mut named = FluentArgs::new();
        for (name, value) in args {
            match value {
                // Fluent names its arguments with hyphens, Rust with underscores.
                Value::Number(n) => named.set(name.replace('_', "-"), FluentValue::from(*n)),
                Value::Text(text) => named.set(name.replace('_', "-"), self.name_of(name, text)),
            }
        }
        let mut errors = Vec::new();
        Some(
            self.bundle
                .format_pattern(pattern, Some(&named), &mut errors)
                .into_owned(),
        )
    }

    /// The name of a row: `<argument>-<value>` where the catalogue has it.
    fn name_of(&self, argument: &str, value: &str) -> String {
        let prefix = match argument {
            "exercise" | "next" => "ex",
            "other_test" => "test",
            "other_strength" => "strength",
            "instead" => "ladder",
            _ => argument,
        };
        let key = |prefix: &str| format!("{prefix}-{value}").replace('_', "-");
        // A measure is a quantity, or something worked out from several.
        let others: &[&str] = match argument {
            "measure" => &["quantity", "test", "strength", "need"],
            "whose" => &["pathway", "modifier"],
            _ => &[],
        };
        let elsewhere = || {
            others
                .iter()
                .find_map(|prefix| self.format(&key(prefix), None, &[]))
        };
        self.format(&key(prefix), None, &[])
            .or_else(elsewhere)
            .unwrap_or_else(|| value.to_owned())
    }
}

/// Numbers with a decimal comma.
fn with_comma<M>(value: &FluentValue, _: &M) -> Option<String> {
    match value {
        FluentValue::Number(number) => Some(number.as_string().replace('.', ",")),
        _ => None,
    }
}

/// Every language that patients read.
pub struct Wordings {
    english: Wording,
    italian: Wording,
}

impl Wordings {
    /// As they are shipped.
    ///
    /// # Errors
    /// When a catalogue does not parse or names a message twice.
    pub fn shipped() -> Result<Self, WordingError> {
        Ok(Wordings {
            english: Wording::of(Language::English)?,
            italian: Wording::of(Language::Italian)?,
        })
    }

    /// One of them.
    pub fn of(&self, language: Language) -> &Wording {
        match language {
            Language::English => &self.english,
            Language::Italian => &self.italian,
        }
    }
}

fn spoken_args(spoken: Spoken) -> [(&'static str, Value<'static>); 2] {
    let sling = if spoken.sling { "on" } else { "off" };
    [
        ("arm", Value::Text(spoken.arm.key())),
        ("sling", Value::Text(sling)),
    ]
}

/// The same text with its first letter raised.
pub fn capital(text: &str) -> String {
    let mut letters = text.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().chain(letters).collect()
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use std::path::Path;

    /// Names that a criterion and its parts speak of.
    fn asked(criterion: &ritorno_core::knowledge::Criterion) -> Vec<String> {
        use ritorno_core::knowledge::CriterionKind::{Attested, Score, ScoreChange, Strength};
        let mut out: Vec<String> = criterion.ask.parts().iter().flat_map(asked).collect();
        match &criterion.ask {
            Attested { code, .. } => out.push(format!("code-{code}")),
            Score { score, .. } | ScoreChange { score, .. } => out.push(format!("score-{score}")),
            Strength { test, .. } => out.push(format!("strength-{test}")),
            _ => {}
        }
        out
    }

    fn rule_ids(dir: &Path, out: &mut Vec<String>) {
        for file in ritorno_shelf::below(dir, "rs").expect("sources") {
            let code = file.text.split("#[cfg(test)]").next().unwrap_or_default();
            // Reason::new("…") and the quoted words of a choice inside Reason::new(…) up to its closing `)`.
            for call in code.split("Reason::new(").skip(1) {
                let inside = call.split(')').next().unwrap_or_default();
                out.extend(inside.split('"').skip(1).step_by(2).map(str::to_owned));
            }
        }
    }

    #[test]
    fn every_rule_of_the_core_has_a_sentence() {
        let wording = Wording::english().expect("the catalogue parses");
        let mut ids = Vec::new();
        rule_ids(
            &Path::new(env!("CARGO_MANIFEST_DIR")).join("../core/src"),
            &mut ids,
        );
        assert!(ids.len() > 50, "only {} rules found", ids.len());
        let missing: Vec<_> = ids
            .iter()
            .filter(|id| !wording.has(&format!("rule-{id}")))
            .collect();
        assert!(missing.is_empty(), "no sentence for {missing:?}");
    }

    #[test]
    fn what_is_tapped_at_home_is_asked_and_has_words_of_its_own() {
        let wording = Wording::english().expect("the catalogue parses");
        let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("knowledge");
        let at_home: Vec<_> = known.red_flags.iter().filter(|f| f.at_home).collect();
        // What the red box of the sheet names.
        for id in [
            "chest-pain",
            "limb-blood",
            "hand-numb",
            "new-weakness",
            "pop",
            "infection",
        ] {
            assert!(
                at_home.iter().any(|f| f.id == id),
                "{id} cannot be told from home"
            );
        }
        for flag in at_home {
            assert!(
                flag.asked,
                "{} is not asked, so nobody could answer it",
                flag.id
            );
            let words = format!("phone-flag-{}", flag.id);
            assert!(wording.has(&words), "no words for {}", flag.id);
        }
    }

    #[test]
    fn every_row_of_the_examination_has_a_name() {
        use ritorno_core::knowledge::RaisedBy;
        let wording = Wording::english().expect("the catalogue parses");
        let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("knowledge");
        let mut names: Vec<String> = Vec::new();
        for test in &known.tests {
            names.extend([
                format!("test-{}", test.id),
                format!("region-{}", test.region),
                format!("position-{}", test.position),
            ]);
            names.extend(test.unit.iter().map(|unit| format!("unit-{unit}")));
            names.extend(test.means.iter().map(|rule| format!("rule-{rule}")));
            names.extend(
                test.variants
                    .iter()
                    .map(|variant| format!("variant-{variant}")),
            );
            names.extend(
                test.kind
                    .answers()
                    .iter()
                    .map(|found| format!("found-{found:?}")),
            );
            assert!(
                !wording
                    .attribute(&format!("test-{}", test.id), "how")
                    .is_empty(),
                "{} has no how-to",
                test.id
            );
        }
        for hypothesis in &known.hypotheses {
            names.push(format!("hypothesis-{}", hypothesis.id));
            names.extend(hypothesis.group.iter().map(|g| format!("group-{}", g.id)));
        }
        names.extend(known.quantities.iter().flat_map(|q| {
            [
                format!("quantity-{}", q.id),
                format!("short-{}", q.id),
                format!("position-{}", q.position),
            ]
        }));
        names.extend(known.red_flags.iter().map(|f| format!("flag-{}", f.id)));
        // What raises a flag by itself says why; what a measurement calls for brings its own sentence.
        let calls = |row: &RaisedBy| matches!(row, RaisedBy::Call { .. });
        let told = known.red_flags.iter();
        let told = told.filter(|f| f.raised_by.iter().any(|row| !calls(row)));
        names.extend(told.map(|f| format!("rule-{}", f.rule())));
        names.extend(
            known
                .red_flags
                .iter()
                .flat_map(|f| &f.signs)
                .map(|s| format!("sign-{s}")),
        );
        let actions = known.red_flags.iter().flat_map(|f| &f.actions);
        names.extend(actions.map(|id| format!("action-{id}")));
        names.extend(known.advice.iter().map(|a| format!("advice-{}", a.id)));
        names.extend(known.may.iter().map(|m| format!("may-{}", m.id)));
        names.extend(known.pathways.keys().map(|id| format!("pathway-{id}")));
        for p in known.pathways.values() {
            names.extend(p.phases.iter().map(|r| format!("phase-{}", r.id)));
            names.extend(p.gates.iter().map(|r| format!("gate-{}", r.id)));
            names.extend(p.precautions.iter().map(|r| format!("precaution-{}", r.id)));
            names.extend(p.sling.iter().map(|r| format!("sling-{}", r.id)));
            names.extend(p.milestones.iter().map(|r| format!("milestone-{}", r.id)));
            names.extend(p.forbidden.iter().map(|r| format!("position-{}", r.id)));
            names.extend(p.gates.iter().flat_map(|g| &g.criteria).flat_map(asked));
        }
        for w in known
            .pathways
            .values()
            .flat_map(|p| &p.watches)
            .chain(&known.watches)
        {
            names.extend([
                format!("watch-{}", w.id),
                format!("act-{:?}", w.act),
                format!("tell-{:?}", w.tell),
            ]);
            names.extend(w.when.iter().flat_map(asked));
            assert!(
                !wording
                    .attribute(&format!("watch-{}", w.id), "do")
                    .is_empty(),
                "{} does not say what to do",
                w.id
            );
        }
        names.extend(known.steps.iter().flat_map(|s| &s.criteria).flat_map(asked));
        names.extend(
            known
                .needs
                .iter()
                .filter(|n| n.id.starts_with("goal-"))
                .map(|n| format!("need-{}", n.id)),
        );
        let of_pathways = known.pathways.values().flat_map(|p| {
            p.schools
                .iter()
                .map(move |s| (s, s.reason_key(Some(p.column()))))
        });
        let of_all = known.schools.iter().map(|s| (s, s.reason_key(None)));
        for (s, why) in of_pathways.chain(of_all) {
            names.extend([
                format!("school-{}", s.id),
                why,
                format!("question-{}", s.question),
            ]);
            names.extend(s.cue.iter().map(|cue| format!("cue-{cue}")));
        }
        names.extend(known.modifiers.iter().map(|m| format!("modifier-{}", m.id)));
        names.extend(
            known
                .modifiers
                .iter()
                .flat_map(|m| &m.forbidden)
                .map(|f| format!("position-{}", f.id)),
        );
        names.extend(known.gate_classes.keys().map(|c| format!("gate-class-{c}")));
        let key = |name: &String| -> String {
            // Variant names of Rust become words with hyphens.
            let mut out = String::new();
            for letter in name.chars() {
                if letter.is_uppercase() && !out.ends_with('-') {
                    out.push('-');
                }
                out.extend(letter.to_lowercase());
            }
            out.replace('_', "-")
        };
        let missing: Vec<String> = names
            .iter()
            .map(key)
            .filter(|id| !wording.has(id))
            .collect();
        assert!(
            names.len() > 400 && missing.is_empty(),
            "{} names, none for {missing:?}",
            names.len()
        );
    }

    #[test]
    fn arguments_that_name_rows_are_read_out_as_names() {
        let wording = Wording::english().expect("the catalogue parses");
        let reason = Reason::new("allowance-opens")
            .with("group", "pec_lat")
            .with("level", "resisted_light")
            .with("week", 8)
            .with("opens_day", 56);
        assert_eq!(
            wording.reason(&reason),
            "Light resistance work of the pectoral and latissimus is not permitted yet; it opens after 8 completed weeks (day 56)."
        );
        let gate = Reason::new("gate-week")
            .with("gate_class", "pendulum")
            .with("week", 2)
            .with("opens_day", 14);
        assert_eq!(
            wording.reason(&gate),
            "Healing time: pendulum work after 2 completed weeks (day 14)."
        );
    }
    /// Weeks that a name tells are weeks of its row: its own, or for the one that holds unless chosen, the pathway's.
    #[test]
    fn the_weeks_in_the_name_of_a_school_are_those_of_its_row() {
        use ritorno_core::knowledge::{Pathway, School};
        let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
        let wording = Wording::english().expect("the catalogue");
        let of_row = |s: &School| -> Vec<i32> {
            let maps = [
                &s.phase_weeks,
                &s.opens_weeks,
                &s.allowance_weeks,
                &s.class_weeks,
            ];
            let mut weeks: Vec<i32> = maps.iter().flat_map(|m| m.values().copied()).collect();
            weeks.extend(s.sling_weeks.into_iter().flatten());
            weeks.extend(s.classes_later.map(|[from, later]| from + later));
            weeks
        };
        // What the others of its question move, as it stands without them.
        let of_pathway = |p: &Pathway, s: &School| -> Vec<i32> {
            let mut weeks = Vec::new();
            for other in p.schools.iter().filter(|o| o.question == s.question) {
                let phases = p
                    .phases
                    .iter()
                    .filter(|x| other.phase_weeks.contains_key(&x.id));
                weeks.extend(phases.map(|x| x.earliest_week));
                let open = p
                    .corridors
                    .iter()
                    .filter(|x| other.opens_weeks.contains_key(&x.id));
                weeks.extend(open.map(|x| x.opens_week));
                let allowed = p
                    .allowances
                    .iter()
                    .filter(|x| other.allowance_weeks.contains_key(&x.id));
                weeks.extend(allowed.map(|x| x.from_week));
                for class in other.class_weeks.keys() {
                    weeks.extend(known.gate_classes[class].weeks.get(p.column()));
                }
                if other.sling_weeks.is_some() {
                    weeks.extend(
                        p.sling
                            .iter()
                            .flat_map(|x| [x.day_and_night_until_week, x.nights_until_week]),
                    );
                }
            }
            weeks
        };
        let spelt = [
            "no", "one", "two", "three", "four", "five", "six", "seven", "eight",
        ];
        let number = |word: &str| -> Option<i32> {
            let word = word
                .trim_matches(|c: char| !c.is_alphanumeric())
                .to_lowercase();
            word.parse()
                .ok()
                .or_else(|| spelt.iter().position(|s| *s == word).map(|n| n as i32))
        };
        let mut told = 0;
        for p in known.pathways.values() {
            for s in &p.schools {
                let name = wording.say(&format!("school-{}", s.id), &[]);
                if !name.contains("week")
                    || name.contains("three days a week")
                    || name.contains("days a week")
                {
                    continue;
                }
                let named: Vec<i32> = name.split_whitespace().filter_map(number).collect();
                let mut weeks = of_row(s);
                if s.default {
                    weeks.extend(of_pathway(p, s));
                }
                for week in named {
                    assert!(weeks.contains(&week), "{}: {name} ({weeks:?})", p.id);
                    told += 1;
                }
            }
        }
        assert!(told > 25, "{told} weeks are told");
    }
}
