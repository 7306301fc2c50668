// What the stations say beyond the shell: their own words, exercises and tests by name, and how they are done.
// Whoever shows them imports this.
import exercises from "../../../locales/en/exercises.ftl?raw";
import stations from "../../../locales/en/stations.ftl?raw";
import tests from "../../../locales/en/tests.ftl?raw";
import { learn } from "./wording";

learn(exercises);
learn(stations);
learn(tests);
