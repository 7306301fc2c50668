// What several stations say beyond the shell: exercises and tests by name, how they are done, shared words.
// Each station takes in its own words beside these.
import "../../../locales/en/exercises.ftl?learn";
import "../../../locales/en/stations/common.ftl?learn";
import "../../../locales/en/tests.ftl?learn";
