// SPDX-License-Identifier: GPL-3.0-or-later
press("Begin");
press("Start");
pass(21); // one of three is over
press("Something hurts");
document.querySelector("#where").value = "low back";
if (ARG) press(ARG);
press("Stop here");
const stopped = text();
const note = await noteOf();
const back = buttons().some((b) => b.textContent === "Back to today");
if (back) press("Back to today");
tell({ stopped, note, back, after: text() });
