// SPDX-License-Identifier: GPL-3.0-or-later
press("Begin"); press("Start");
pass(60);
press("right"); press("seat");
press("Go on");
press("Go on"); press("Start");      // the second one, given up at once
pass(12);
press("It is too much");
press("Go on");
press("How was today?");
const box = document.querySelector("#words");
box.value = "fine <b>\"really\"</b>";
box.dispatchEvent(new Event("input"));
tell({ note: await noteOf(), text: text() });
