//! Made-up people with a known truth, examined in clinics that are not the studies, and not by the reading's own model.
//!
//! Frozen before loadings and the weight of further groups were chosen: what is changed here starts the comparison anew. Where the
//! reading integrates a normal variable behind probit shares, these people fall into two kinds, slight and marked, that move log odds;
//! their clinics find shares of their own around the middle of the recalled studies. In the *hard* world one kind belongs to the
//! person as well and reaches every test, and clinics find less than the studies did. Our choice.

use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng;
use rand_distr::{Bernoulli, Distribution, Normal};
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Accuracy, ClinicalTest, Found, Knowledge, Setting};
use ritorno_core::mechanics::Arm;
use ritorno_core::reading::*;
use uuid::Uuid;

/// How the world differs from the reading.
#[derive(Clone, Copy)]
pub struct World {
    /// What the person's kind adds to the log odds of every positive test.
    person: f64,
    /// What the kind of a group's cause adds.
    group: f64,
    /// Standard deviation of a clinic's shares, log odds.
    clinic: f64,
    /// How much less a clinic finds than the studies, log odds of both shares.
    less: f64,
}

/// Tests of different groups know nothing of each other.
pub const KIND: World = World {
    person: 0.0,
    group: 2.4,
    clinic: 0.3,
    less: 0.0,
};

/// One cause reaches every test of a person, clinics differ more and find less.
pub const HARD: World = World {
    person: 1.6,
    group: 2.8,
    clinic: 0.5,
    less: 0.25,
};

/// Share of the marked kind, with the condition and without it.
const MARKED: f64 = 0.35;
/// Share of the tests that are done.
const DONE: f64 = 0.7;
/// People a clinic.
const CLINIC: usize = 50;

/// A person: what is so, and what the tests said.
pub struct Person {
    pub truth: bool,
    pub answers: Vec<(&'static str, bool)>,
}

/// A row of the frozen table: condition, group, test, sensitivity, specificity.
type Row = (&'static str, &'static str, &'static str, f64, f64);

fn rows(hypothesis: &str) -> Vec<Row> {
    include_str!("../oracles/population.tsv")
        .lines()
        .filter(|line| !line.starts_with('#'))
        .map(|line| {
            let parts: Vec<&str> = line.split('\t').collect();
            let share = |i: usize| parts[i].parse().expect("a share");
            (parts[0], parts[1], parts[2], share(3), share(4))
        })
        .filter(|row| row.0 == hypothesis)
        .collect()
}

fn expit(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

fn logit(p: f64) -> f64 {
    (p / (1.0 - p)).ln()
}

impl World {
    /// The log odds from which the kinds start, so that the share over all of them is `share`.
    fn start(&self, share: f64) -> f64 {
        let over_all = |from: f64| -> f64 {
            [(false, false), (false, true), (true, false), (true, true)]
                .iter()
                .map(|(person, group)| {
                    let weight = |on: bool| if on { MARKED } else { 1.0 - MARKED };
                    let add = |on: bool, by: f64| if on { by } else { 0.0 };
                    let at = from + add(*person, self.person) + add(*group, self.group);
                    weight(*person) * weight(*group) * expit(at)
                })
                .sum()
        };
        let (mut low, mut high) = (-20.0, 20.0);
        for _ in 0..60 {
            let middle = (low + high) / 2.0;
            if over_all(middle) < share {
                low = middle;
            } else {
                high = middle;
            }
        }
        (low + high) / 2.0
    }

    /// So many people who may have the condition, as often as `prior` says.
    pub fn people(&self, hypothesis: &str, prior: f64, n: usize, seed: u64) -> Vec<Person> {
        let mut random = ChaCha8Rng::seed_from_u64(seed);
        let rows = rows(hypothesis);
        let around = Normal::new(0.0, self.clinic).expect("a spread");
        let chance = |p: f64| Bernoulli::new(p).expect("a share");
        let mut out = Vec::with_capacity(n);
        while out.len() < n {
            let clinic: Vec<(f64, f64)> = rows
                .iter()
                .map(|row| {
                    let mut here =
                        |share: f64| expit(logit(share) - self.less + around.sample(&mut random));
                    let (sensitivity, specificity) = (here(row.3), here(row.4));
                    (self.start(sensitivity), self.start(1.0 - specificity))
                })
                .collect();
            for _ in 0..CLINIC.min(n - out.len()) {
                let truth = chance(prior).sample(&mut random);
                let person = chance(MARKED).sample(&mut random);
                let mut kinds: Vec<(&str, bool)> = Vec::new();
                let mut answers = Vec::new();
                for (row, start) in rows.iter().zip(&clinic) {
                    let group = match kinds.iter().find(|k| k.0 == row.1) {
                        Some((_, kind)) => *kind,
                        None => {
                            let kind = chance(MARKED).sample(&mut random);
                            kinds.push((row.1, kind));
                            kind
                        }
                    };
                    let mut at = if truth { start.0 } else { start.1 };
                    at += if person { self.person } else { 0.0 };
                    at += if group { self.group } else { 0.0 };
                    let positive = chance(expit(at)).sample(&mut random);
                    if chance(DONE).sample(&mut random) {
                        answers.push((row.2, positive));
                    }
                }
                out.push(Person { truth, answers });
            }
        }
        out
    }
}

/// How the words and probabilities held.
#[derive(Default)]
pub struct Held {
    /// ln of the odds that were shown, and the truth.
    shown: Vec<(f64, bool)>,
    /// How many were called likely, and how many of them had it.
    pub likely: (usize, usize),
    /// How many were called unlikely, and how many of them had it.
    pub unlikely: (usize, usize),
}

impl Held {
    /// Slope of the truth on the shown log odds: 1 is calibrated, below 1 is too sure.
    pub fn slope(&self) -> f64 {
        let (mut a, mut b) = (0.0, 1.0);
        for _ in 0..50 {
            let (mut g, mut h) = ([0.0; 2], [0.0; 3]);
            for (x, y) in &self.shown {
                let p = expit(a + b * x);
                let (miss, w) = (f64::from(u8::from(*y)) - p, p * (1.0 - p));
                g[0] += miss;
                g[1] += miss * x;
                h[0] += w;
                h[1] += w * x;
                h[2] += w * x * x;
            }
            let det = h[0] * h[2] - h[1] * h[1];
            a += (g[0] * h[2] - g[1] * h[1]) / det;
            b += (g[1] * h[0] - g[0] * h[1]) / det;
        }
        b
    }

    /// Both together.
    pub fn and(mut self, other: Held) -> Held {
        self.shown.extend(other.shown);
        let add = |a: (usize, usize), b: (usize, usize)| (a.0 + b.0, a.1 + b.1);
        self.likely = add(self.likely, other.likely);
        self.unlikely = add(self.unlikely, other.unlikely);
        self
    }
}

/// An answer that counts as positive, or as negative.
pub fn answer(test: &ClinicalTest, row: &Accuracy, yes: bool) -> TestAnswer {
    if let Some(from) = row.positive_from {
        let none = row.negative_below.unwrap_or(from) - 1.0;
        let value = if yes {
            from
        } else {
            none.max(test.min.unwrap_or(none))
        };
        return TestAnswer::Number { value };
    }
    let words: &[Found] = test.kind.answers();
    let fits = words.iter().rev().find(|w| row.positive.contains(w) == yes);
    TestAnswer::Word {
        found: *fits.expect("both answers exist"),
    }
}

/// Reads so many made-up people of one condition, whose pre-test probability is the reading's own for `facts`.
fn judge(
    known: &Knowledge,
    model: &ReadingModel,
    facts: &Facts,
    hypothesis: &str,
    (world, n, seed): (World, usize, u64),
) -> Held {
    let about = known.hypothesis(hypothesis).expect("it is known");
    let prior = pre_test(known, about, facts).probability;
    let mut held = Held::default();
    for person in world.people(hypothesis, prior, n, seed) {
        let weighed: Vec<Weighed> = person
            .answers
            .iter()
            .map(|(id, yes)| {
                let test = known.test(id).expect("the table names known tests");
                let row = test.accuracy.iter().find(|a| a.hypothesis == hypothesis);
                Weighed {
                    finding: TestFinding {
                        id: Uuid::nil(),
                        test: (*id).to_owned(),
                        side: facts.story.side,
                        answer: answer(test, row.expect("it speaks for it"), *yes),
                        variant: None,
                        on: facts.today,
                        rater: Uuid::nil(),
                        remark: String::new(),
                    },
                    unused: None,
                    raises: None,
                    also: Vec::new(),
                }
            })
            .collect();
        let view = read_hypothesis(known, model, about, facts, &weighed);
        held.shown.push((logit(view.probability), person.truth));
        let count = match view.word {
            Word::Likely => &mut held.likely,
            Word::Unlikely => &mut held.unlikely,
            _ => continue,
        };
        count.0 += 1;
        count.1 += usize::from(person.truth);
    }
    held
}

/// Four people who come: a young one who slipped, one sore at work, one who fell at 57, an old one sent on.
fn stories() -> [Facts; 4] {
    let day = |text: &str| text.parse().expect("a date");
    [
        (
            "2003-05-12",
            Start::Injury,
            Setting::Specialist,
            Complaint::Slipping,
        ),
        (
            "1983-05-12",
            Start::Gradual,
            Setting::Primary,
            Complaint::Raising,
        ),
        (
            "1969-05-12",
            Start::Injury,
            Setting::Specialist,
            Complaint::Raising,
        ),
        (
            "1951-05-12",
            Start::Gradual,
            Setting::Specialist,
            Complaint::Raising,
        ),
    ]
    .map(|(birth, start, setting, complaint)| {
        let begun = Story::begun("no-operation", Arm::Right, day("2027-02-20"), start);
        let story = Story {
            complaint: Some(complaint),
            other_side: OtherSide::Sound,
            setting,
            ..begun
        };
        Facts::new(day("2027-03-01"), day(birth), story)
    })
}

/// Reads so many made-up people of each of the four stories.
pub fn judge_all(
    known: &Knowledge,
    model: &ReadingModel,
    hypothesis: &str,
    (world, n, seed): (World, usize, u64),
) -> Held {
    let all = stories().into_iter().zip(seed..);
    all.map(|(facts, seed)| judge(known, model, &facts, hypothesis, (world, n, seed)))
        .fold(Held::default(), Held::and)
}
