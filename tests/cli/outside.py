#!/usr/bin/python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""outside.py KIND FILE [SCHEMA]: reads a file that the program has made with a reader that is not ours; exit 1 and a
sentence where that one finds fault. Kinds: html (html5lib, the WHATWG's parser, strict), mail (Python's email), calendar
(icalendar), schema (jsonschema), fhir (every resource against its definition in HL7's JSON schema)."""
import email
import email.policy
import json
import sys


def html(file):
    import html5lib

    with open(file, encoding="utf-8") as f:
        html5lib.HTMLParser(strict=True).parse(f.read())


def mail(file):
    with open(file, "rb") as f:
        message = email.message_from_binary_file(f, policy=email.policy.strict)
    for part in message.walk():
        assert not part.defects, part.defects
        if not part.is_multipart():
            part.get_content()
    assert message.get_body(("plain",)) and message.get_body(("html",)), "no two bodies"


def calendar(file):
    import icalendar

    with open(file, "rb") as f:
        read = icalendar.Calendar.from_ical(f.read())
    events = read.walk("VEVENT")
    assert events, "no event"
    for event in events:
        assert not event.errors, event.errors
        for needed in ("UID", "DTSTAMP", "DTSTART", "SUMMARY"):
            assert needed in event, needed


def schema(file, of):
    import jsonschema

    with open(file, encoding="utf-8") as f, open(of, encoding="utf-8") as s:
        jsonschema.validate(json.load(f), json.load(s))


def fhir(file, of):
    import jsonschema

    with open(file, encoding="utf-8") as f, open(of, encoding="utf-8") as s:
        bundle, known = json.load(f), json.load(s)["definitions"]
    for resource in [bundle] + [entry["resource"] for entry in bundle["entry"]]:
        definition = {**known[resource["resourceType"]], "definitions": known}
        jsonschema.Draft6Validator(definition).validate(resource)


try:
    {"html": html, "mail": mail, "calendar": calendar, "schema": schema, "fhir": fhir}[sys.argv[1]](*sys.argv[2:])
except Exception as fault:
    sys.exit(f"{sys.argv[2]}: {type(fault).__name__}: {str(fault)[:600]}")
