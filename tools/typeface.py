#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""typeface.py IN OUT: Inter without its contextual alternates, under a family name of its own.

Qt's PDFs know the text of a glyph only where it is the character's usual one, so that a minus between digits or a raised
bracket would be lost to search, copying and screen readers. The name keeps an Inter of the machine's from taking its place.
"""
import sys

from fontTools import subset, ttLib

options = subset.Options(layout_features=["kern", "mark", "mkmk", "ccmp", "locl"], name_IDs=["*"], glyph_names=True)
font = ttLib.TTFont(sys.argv[1])
subsetter = subset.Subsetter(options)
subsetter.populate(unicodes=font.getBestCmap().keys())
subsetter.subset(font)
for record in font["name"].names:
    if record.nameID in (1, 3, 4, 16, 18, 21):
        record.string = str(record).replace("Inter", "Inter Plain", 1)
    elif record.nameID == 6:
        record.string = str(record).replace("Inter", "InterPlain", 1)
cff = font["CFF "].cff
cff.fontNames[0] = cff.fontNames[0].replace("Inter", "InterPlain", 1)
for key in ("FamilyName", "FullName"):
    if hasattr(cff.topDictIndex[0], key):
        setattr(cff.topDictIndex[0], key, getattr(cff.topDictIndex[0], key).replace("Inter", "Inter Plain", 1))
font.save(sys.argv[2], reorderTables=False)
