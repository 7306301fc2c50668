import { createRoot } from "react-dom/client";
import { Phone } from "./Phone";
import "./phone.css";

const root = document.getElementById("root");
if (root) createRoot(root).render(<Phone />);
