// What the stations say beyond the shell: their own words, exercises and tests by name, and how they are done.
// Whoever shows them imports this.
import exercises from "../../../locales/en/exercises.ftl?read";
import stations from "../../../locales/en/stations.ftl?read";
import tests from "../../../locales/en/tests.ftl?read";
import { learn } from "./wording";

learn(exercises);
learn(stations);
learn(tests);
