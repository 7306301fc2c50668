import { useEffect, useState } from "react";
import type { components } from "../api/schema";
import { ask } from "./server";

export type Clinic = components["schemas"]["ClinicCard"];
const KEPT = "ritorno-home-clinic";

function kept(): Clinic | undefined {
  try {
    const text = localStorage.getItem(KEPT);
    return text ? (JSON.parse(text) as Clinic) : undefined;
  } catch {
    return undefined;
  }
}

/** Whom to call: as the clinic says it now, or as this telephone last heard. */
export function useClinic(): Clinic | undefined {
  const [clinic, setClinic] = useState(kept);
  useEffect(() => {
    void ask<Clinic>("GET", "/api/home/clinic").then(({ status, body }) => {
      if (status !== 200 || !body) return;
      localStorage.setItem(KEPT, JSON.stringify(body));
      setClinic(body);
    });
  }, []);
  return clinic;
}
