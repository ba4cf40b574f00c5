<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>arrow</source>
        <translation>Pfeil</translation>
    </message>
    <message>
        <source>line</source>
        <translation>Linie</translation>
    </message>
    <message>
        <source>angle</source>
        <translation>Winkel</translation>
    </message>
    <message>
        <source>words</source>
        <translation>Worte</translation>
    </message>
    <message>
        <source>d MMM yyyy</source>
        <comment>date</comment>
        <translation>d. MMM yyyy</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>not said</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
    <message>
        <source>%1: %2 of %3</source>
        <translation>%1: %2 von %3</translation>
    </message>
    <message>
        <source>no programme yet</source>
        <translation>noch kein Übungsplan</translation>
    </message>
    <message>
        <source>as usual</source>
        <translation>wie üblich</translation>
    </message>
    <message>
        <source>review</source>
        <translation>Rückmeldung</translation>
    </message>
    <message>
        <source>reviews</source>
        <translation>Rückmeldungen</translation>
    </message>
    <message>
        <source>, %1 waits</source>
        <translation>, %1 wartet</translation>
    </message>
    <message>
        <source>cannot tell</source>
        <translation>nicht zu sagen</translation>
    </message>
    <message>
        <source>%1: %2 from %3 to %4. Bands are 95 %.</source>
        <translation>%1: %2 von %3 bis %4. Bänder sind 95 %.</translation>
    </message>
    <message>
        <source>Over the weeks</source>
        <translation>Über die Wochen</translation>
    </message>
    <message>
        <source>filled: the last review; shaded: tolerance; line: a trend beyond the noise</source>
        <translation>ausgefüllt: die letzte Rückmeldung; schattiert: Toleranz; Linie: ein Trend über dem Rauschen</translation>
    </message>
    <message>
        <source>Cues given</source>
        <translation>Gegebene Hinweise</translation>
    </message>
    <message>
        <source>solid: it worked; ticks: nothing real came of it</source>
        <translation>ausgefüllt: hat gewirkt; Striche: nichts Wirkliches kam dabei heraus</translation>
    </message>
    <message>
        <source>None yet for this exercise.</source>
        <translation>Noch keine für diese Übung.</translation>
    </message>
    <message>
        <source>Ladder</source>
        <translation>Leiter</translation>
    </message>
    <message>
        <source>Decided, %1</source>
        <translation>Entschieden, %1</translation>
    </message>
    <message>
        <source>%1, %2. Bands are 95 %.</source>
        <translation>%1, %2. Bänder sind 95 %.</translation>
    </message>
    <message>
        <source>Give-way</source>
        <translation>Nachgeben</translation>
    </message>
    <message>
        <source>Time plots</source>
        <translation>Zeitkurven</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
    <message>
        <source>up to %1</source>
        <translation>bis %1</translation>
    </message>
    <message>
        <source>from %1</source>
        <translation>ab %1</translation>
    </message>
    <message>
        <source>way out</source>
        <translation>Hinweg</translation>
    </message>
    <message>
        <source>hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>way back</source>
        <translation>Rückweg</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>What is measured</source>
        <translation>Was gemessen wird</translation>
    </message>
    <message>
        <source>when the hold begins</source>
        <translation>wenn das Halten beginnt</translation>
    </message>
    <message>
        <source>set-up</source>
        <translation>Aufbau</translation>
    </message>
    <message>
        <source>Marks: </source>
        <translation>Marken:   </translation>
    </message>
    <message>
        <source>Faults, what causes them, and what to say</source>
        <translation>Fehler, was sie verursacht und was zu sagen ist</translation>
    </message>
    <message>
        <source> – follows from %1</source>
        <translation> – folgt aus %1</translation>
    </message>
    <message>
        <source>Ladder, easiest first</source>
        <translation>Leiter, das Leichteste zuerst</translation>
    </message>
    <message>
        <source> (begins here)</source>
        <translation> (hier geht es los)</translation>
    </message>
    <message>
        <source>Dose</source>
        <translation>Dosis</translation>
    </message>
    <message>
        <source>round</source>
        <translation>Runde</translation>
    </message>
    <message>
        <source>rounds</source>
        <translation>Runden</translation>
    </message>
    <message>
        <source> of %1 to %2</source>
        <translation> von %1 bis %2</translation>
    </message>
    <message>
        <source>, held for %1, at most %2</source>
        <translation>, %1 gehalten, höchstens %2</translation>
    </message>
    <message>
        <source>, every day</source>
        <translation>, jeden Tag</translation>
    </message>
    <message>
        <source>, %1 days a week</source>
        <translation>, %1 Tage die Woche</translation>
    </message>
    <message>
        <source>Schools</source>
        <translation>Schulen</translation>
    </message>
    <message>
        <source>Waits until its readiness list is confirmed</source>
        <translation>Wartet, bis die Bereitschaftsliste bestätigt ist</translation>
    </message>
    <message>
        <source>For the coach</source>
        <translation>Für den Coach</translation>
    </message>
    <message>
        <source>Felt where</source>
        <translation>Wo gespürt</translation>
    </message>
    <message>
        <source>Cautions and stop rule</source>
        <translation>Vorsicht und Stoppregel</translation>
    </message>
    <message>
        <source>How to film it</source>
        <translation>So wird gefilmt</translation>
    </message>
    <message>
        <source>On all fours</source>
        <translation>Vierfüßler</translation>
    </message>
    <message>
        <source>On the back</source>
        <translation>Rückenlage</translation>
    </message>
    <message>
        <source>Bridge</source>
        <translation>Brücke</translation>
    </message>
    <message>
        <source>Plank and rollout</source>
        <translation>Stütz und Rollen</translation>
    </message>
    <message>
        <source>On the side</source>
        <translation>Seitenlage</translation>
    </message>
    <message>
        <source>Standing</source>
        <translation>Stehen</translation>
    </message>
    <message>
        <source>Half-kneeling</source>
        <translation>Halber Kniestand</translation>
    </message>
    <message>
        <source>Face down</source>
        <translation>Bauchlage</translation>
    </message>
    <message>
        <source>between full arch and full flat</source>
        <translation>zwischen ganz hohl und ganz flach</translation>
    </message>
    <message>
        <source>as you chose it</source>
        <translation>wie du es gewählt hast</translation>
    </message>
    <message>
        <source>from the set-up</source>
        <translation>aus dem Aufbau</translation>
    </message>
    <message>
        <source>raw %1, neutral %2 %3</source>
        <translation>roh %1, Neutral %2 %3</translation>
    </message>
    <message>
        <source>, out by %1</source>
        <translation>, %1 daneben</translation>
    </message>
    <message>
        <source>, near its limit</source>
        <translation>, nahe an der Grenze</translation>
    </message>
    <message>
        <source>level, roll </source>
        <translation>Lot, Neigung </translation>
    </message>
    <message>
        <source>mat line, roll </source>
        <translation>Mattenlinie, Neigung </translation>
    </message>
    <message>
        <source>said last</source>
        <translation>zuletzt gesagt</translation>
    </message>
    <message>
        <source>worked: gone</source>
        <translation>gewirkt: weg</translation>
    </message>
    <message>
        <source>worked: %1 less</source>
        <translation>gewirkt: %1 weniger</translation>
    </message>
    <message>
        <source>none real: %1 of %2</source>
        <translation>nichts Wirkliches: %1 von %2</translation>
    </message>
    <message>
        <source>still there, not measured</source>
        <translation>noch da, nicht gemessen</translation>
    </message>
    <message>
        <source>locked: %1</source>
        <translation>gesperrt: %1</translation>
    </message>
    <message>
        <source>met cleanly in %1 of %2</source>
        <translation>in %1 von %2 sauber erreicht</translation>
    </message>
    <message>
        <source>now: %1</source>
        <translation>jetzt: %1</translation>
    </message>
    <message>
        <source>%1, last %2</source>
        <translation>%1, zuletzt %2</translation>
    </message>
    <message>
        <source>%1 over time</source>
        <translation>%1 über die Zeit</translation>
    </message>
    <message>
        <source>%1 over %2</source>
        <translation>%1 über %2</translation>
    </message>
    <message>
        <source>held clean</source>
        <translation>sauber gehalten</translation>
    </message>
    <message>
        <source>control range</source>
        <translation>Kontrollbereich</translation>
    </message>
    <message>
        <source>clean</source>
        <translation>sauber</translation>
    </message>
    <message>
        <source>Rep</source>
        <translation>Wdh.</translation>
    </message>
    <message>
        <source>phases</source>
        <translation>Phasen</translation>
    </message>
    <message>
        <source>breath</source>
        <translation>Atem</translation>
    </message>
    <message>
        <source>to %1</source>
        <translation>bis %1</translation>
    </message>
    <message>
        <source>faults</source>
        <translation>Fehler</translation>
    </message>
    <message>
        <source>%1, from %2</source>
        <translation>%1, ab %2</translation>
    </message>
    <message>
        <source>visit</source>
        <translation>Besuch</translation>
    </message>
    <message>
        <source>visits</source>
        <translation>Besuche</translation>
    </message>
    <message>
        <source>%1 ± %2%3</source>
        <translation>%1 ± %2%3</translation>
    </message>
    <message>
        <source>, unlike the visits before</source>
        <translation>, anders als die Besuche davor</translation>
    </message>
    <message>
        <source>%1 ± %2 a week</source>
        <translation>%1 ± %2 die Woche</translation>
    </message>
    <message>
        <source>too few visits for a trend</source>
        <translation>zu wenige Besuche für einen Trend</translation>
    </message>
    <message>
        <source>all of one day</source>
        <translation>alle von einem Tag</translation>
    </message>
    <message>
        <source>no trend</source>
        <translation>kein Trend</translation>
    </message>
    <message>
        <source>changing</source>
        <translation>ändert sich</translation>
    </message>
    <message>
        <source>getting better</source>
        <translation>wird besser</translation>
    </message>
    <message>
        <source>getting worse</source>
        <translation>wird schlechter</translation>
    </message>
    <message>
        <source>its file cannot be read</source>
        <translation>die Datei lässt sich nicht lesen</translation>
    </message>
    <message>
        <source>, %1 first</source>
        <translation>, %1 zuerst</translation>
    </message>
    <message>
        <source>, rest %1 s</source>
        <translation>, Pause %1 s</translation>
    </message>
    <message>
        <source>%1 of %2 min</source>
        <translation>%1 von %2 min</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>new: %1</source>
        <translation>neu: %1</translation>
    </message>
    <message>
        <source>%1: %2 → %3</source>
        <translation>%1: %2 → %3</translation>
    </message>
    <message>
        <source>goes: %1</source>
        <translation>geht: %1</translation>
    </message>
    <message>
        <source>other days</source>
        <translation>andere Tage</translation>
    </message>
    <message>
        <source>%1 → %2 minutes a day</source>
        <translation>%1 → %2 Minuten am Tag</translation>
    </message>
    <message>
        <source>waits</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>by %1</source>
        <translation>bis %1</translation>
    </message>
    <message>
        <source>filed</source>
        <translation>abgelegt</translation>
    </message>
    <message>
        <source>ready for its letter</source>
        <translation>bereit für den Brief</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>pain was named</source>
        <translation>Schmerz wurde genannt</translation>
    </message>
    <message>
        <source>a reason to stop was told</source>
        <translation>ein Grund zum Anhalten wurde genannt</translation>
    </message>
    <message>
        <source>answer promised %1</source>
        <translation>Antwort bis %1 versprochen</translation>
    </message>
    <message>
        <source>its film has gone; the numbers are kept</source>
        <translation>der Film ist weg; die Zahlen bleiben</translation>
    </message>
    <message>
        <source>nothing out of tolerance</source>
        <translation>nichts außerhalb der Toleranz</translation>
    </message>
    <message>
        <source>moment</source>
        <translation>Moment</translation>
    </message>
    <message>
        <source>moments</source>
        <translation>Momente</translation>
    </message>
    <message>
        <source>marked, to be measured</source>
        <translation>markiert, zu messen</translation>
    </message>
    <message>
        <source>%1 proposed, to be confirmed</source>
        <translation>%1 vorgeschlagen, zu bestätigen</translation>
    </message>
    <message>
        <source>mark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>marks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>marks to be placed</source>
        <translation>Marken zu setzen</translation>
    </message>
    <message>
        <source>ready</source>
        <translation>bereit</translation>
    </message>
    <message>
        <source>pain</source>
        <translation>Schmerz</translation>
    </message>
    <message>
        <source>first</source>
        <translation>zuerst</translation>
    </message>
    <message>
        <source>%1 clips: %2</source>
        <translation>%1 Clips: %2</translation>
    </message>
    <message>
        <source>%1 of %2: %3</source>
        <translation>%1 von %2: %3</translation>
    </message>
    <message>
        <source>due %1, %2 ago</source>
        <translation>fällig %1, vor %2</translation>
    </message>
    <message>
        <source>day</source>
        <translation>Tag</translation>
    </message>
    <message>
        <source>days</source>
        <translation>Tage</translation>
    </message>
    <message>
        <source>due today</source>
        <translation>heute fällig</translation>
    </message>
    <message>
        <source>due %1</source>
        <translation>fällig %1</translation>
    </message>
    <message>
        <source>d MMMM yyyy</source>
        <comment>date</comment>
        <translation>d. MMMM yyyy</translation>
    </message>
    <message>
        <source>in</source>
        <translation>drin</translation>
    </message>
    <message>
        <source>out</source>
        <translation>draußen</translation>
    </message>
    <message>
        <source>near</source>
        <translation>nah</translation>
    </message>
    <message>
        <source>all in</source>
        <translation>alle drin</translation>
    </message>
    <message>
        <source>after %1</source>
        <translation>nach %1</translation>
    </message>
    <message>
        <source>gave way</source>
        <translation>gab nach</translation>
    </message>
    <message>
        <source>of %1</source>
        <translation>von %1</translation>
    </message>
    <message>
        <source>already out</source>
        <translation>schon draußen</translation>
    </message>
    <message>
        <source>clip ends first</source>
        <translation>Clip endet vorher</translation>
    </message>
    <message>
        <source>at %1</source>
        <translation>bei %1</translation>
    </message>
    <message>
        <source>asked %1</source>
        <translation>verlangt %1</translation>
    </message>
    <message>
        <source>short</source>
        <translation>zu kurz</translation>
    </message>
    <message>
        <source>out by %1</source>
        <translation>%1 daneben</translation>
    </message>
    <message>
        <source>?</source>
        <translation>?</translation>
    </message>
    <message>
        <source>lost for %1</source>
        <translation>%1 verloren</translation>
    </message>
    <message>
        <source>Set-up</source>
        <translation>Aufbau</translation>
    </message>
    <message>
        <source>Early</source>
        <translation>Früh</translation>
    </message>
    <message>
        <source>Late</source>
        <translation>Spät</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Worst</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>anchor</source>
        <translation>Anker</translation>
    </message>
    <message>
        <source>none on record</source>
        <translation>keine im Bestand</translation>
    </message>
    <message>
        <source>withdrawn %1</source>
        <translation>widerrufen am %1</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>no day set</source>
        <translation>kein Tag gesetzt</translation>
    </message>
    <message>
        <source>kept until %1: that day is over, erase them</source>
        <translation>aufbewahrt bis %1: Dieser Tag ist vorbei, lösch sie</translation>
    </message>
    <message>
        <source>kept until %1</source>
        <translation>aufbewahrt bis %1</translation>
    </message>
    <message>
        <source>No consent is on record.</source>
        <translation>Es liegt keine Einwilligung vor.</translation>
    </message>
    <message>
        <source>Consent was withdrawn.</source>
        <translation>Die Einwilligung wurde widerrufen.</translation>
    </message>
    <message>
        <source>There is no consent to keeping and measuring clips.</source>
        <translation>Es gibt keine Einwilligung zum Aufbewahren und Messen von Clips.</translation>
    </message>
    <message>
        <source>Videos were to be kept until %1.</source>
        <translation>Videos sollten bis %1 aufbewahrt werden.</translation>
    </message>
    <message>
        <source>, up to %1</source>
        <translation>, bis %1</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>stop and refer</source>
        <translation>aufhören und weiterverweisen</translation>
    </message>
    <message>
        <source>ask for the clip again</source>
        <translation>noch einmal um den Clip bitten</translation>
    </message>
    <message>
        <source>one step back</source>
        <translation>eine Stufe zurück</translation>
    </message>
    <message>
        <source>one step up</source>
        <translation>eine Stufe höher</translation>
    </message>
    <message>
        <source>stay on this version</source>
        <translation>bei dieser Version bleiben</translation>
    </message>
    <message>
        <source>d MMM</source>
        <comment>day of a date</comment>
        <translation>d. MMM</translation>
    </message>
    <message>
        <source>Deft Mirror</source>
        <translation>Deft Mirror</translation>
    </message>
    <message>
        <source>The library seems to be open in another window.</source>
        <translation>Die Bibliothek scheint in einem anderen Fenster offen zu sein.</translation>
    </message>
    <message>
        <source>Open anyway</source>
        <translation>Trotzdem öffnen</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>und %1 weitere</translation>
    </message>
    <message>
        <source>rep %1</source>
        <translation>Wdh. %1</translation>
    </message>
    <message>
        <source>%1: cannot tell</source>
        <translation>%1: nicht zu sagen</translation>
    </message>
    <message>
        <source>%1: clean for %2 of %3 s</source>
        <translation>%1: %2 von %3 s sauber</translation>
    </message>
    <message>
        <source>%1: in control up to %2 of %3</source>
        <translation>%1: beherrscht bis %2 von %3</translation>
    </message>
    <message>
        <source>No repetition was found.</source>
        <translation>Es wurde keine Wiederholung gefunden.</translation>
    </message>
    <message>
        <source>%1 from %2 to %3 s</source>
        <translation>%1 von %2 bis %3 s</translation>
    </message>
    <message>
        <source>rep</source>
        <translation>Wdh.</translation>
    </message>
    <message>
        <source>begins (s)</source>
        <translation>beginnt (s)</translation>
    </message>
    <message>
        <source>hold begins (s)</source>
        <translation>Halten beginnt (s)</translation>
    </message>
    <message>
        <source>hold ends (s)</source>
        <translation>Halten endet (s)</translation>
    </message>
    <message>
        <source>ends (s)</source>
        <translation>endet (s)</translation>
    </message>
    <message>
        <source>clean (s)</source>
        <translation>sauber (s)</translation>
    </message>
    <message>
        <source>reach</source>
        <translation>Weite</translation>
    </message>
</context>
<context>
    <name>deft::ui::AnswerPage</name>
    <message>
        <source>Answer</source>
        <translation>Antwort</translation>
    </message>
    <message>
        <source>File and send</source>
        <translation>Ablegen und senden</translation>
    </message>
    <message>
        <source>Ctrl+Enter</source>
        <translation>Strg+Eingabe</translation>
    </message>
    <message>
        <source>No e-mail address is known: the mail&apos;s is to be filled in.</source>
        <translation>Keine E-Mail-Adresse ist bekannt: Die der Mail ist noch auszufüllen.</translation>
    </message>
    <message>
        <source> The mail goes without pictures and clip.</source>
        <translation> Die Mail geht ohne Bilder und Clip.</translation>
    </message>
    <message>
        <source>Filed</source>
        <translation>Abgelegt</translation>
    </message>
    <message>
        <source>File and send to %1</source>
        <translation>Ablegen und an %1 senden</translation>
    </message>
    <message>
        <source>Ready for the letter</source>
        <translation>Bereit für den Brief</translation>
    </message>
    <message>
        <source>The answer is drafted as soon as the clip has been measured.</source>
        <translation>Die Antwort wird entworfen, sobald der Clip gemessen ist.</translation>
    </message>
    <message>
        <source>Filed: the page is in the library&apos;s folder “answers”, ready for mail. It stays as it was sent.</source>
        <translation>Abgelegt: Die Seite liegt im Ordner „answers“ der Bibliothek, bereit für die Mail. Sie bleibt, wie sie gesendet wurde.</translation>
    </message>
    <message>
        <source>By mail: %1 pictures, faces blurred, %2 words. The readings are filed with it.</source>
        <translation>Per Mail: %1 Bilder, Gesichter unkenntlich, %2 Wörter. Die Messwerte werden mit abgelegt.</translation>
    </message>
    <message>
        <source>ready</source>
        <translation>bereit</translation>
    </message>
    <message>
        <source>to be looked at</source>
        <translation>anzusehen</translation>
    </message>
    <message>
        <source>One letter for the %1 clips of this visit, three corrections at most: this one, %2. &lt;a href=&quot;alone&quot;&gt;Answer this one alone&lt;/a&gt;</source>
        <translation>Ein Brief für die %1 Clips dieses Besuchs, höchstens drei Korrekturen: dieser, %2. &lt;a href=&quot;alone&quot;&gt;Diesen allein beantworten&lt;/a&gt;</translation>
    </message>
    <message>
        <source>The letter as it stands, with what the other clips bring to it:

%1</source>
        <translation>Der Brief, wie er dasteht, mit dem, was die anderen Clips beitragen:

%1</translation>
    </message>
    <message>
        <source>A picture is not sent: %1.</source>
        <translation>Ein Bild wird nicht gesendet: %1.</translation>
    </message>
    <message>
        <source>order of parts</source>
        <translation>Reihenfolge der Teile</translation>
    </message>
    <message>
        <source>There is no dictionary of this letter&apos;s language: Debian&apos;s package is called hunspell-%1.</source>
        <translation>Für die Sprache dieses Briefs ist kein Wörterbuch da: Debians Paket heißt hunspell-%1.</translation>
    </message>
    <message>
        <source>Every word is spelt right.</source>
        <translation>Jedes Wort ist richtig geschrieben.</translation>
    </message>
    <message>
        <source>Removed: “%1”.</source>
        <translation>Entfernt: „%1“.</translation>
    </message>
    <message>
        <source>Not removed: %1.</source>
        <translation>Nicht entfernt: %1.</translation>
    </message>
    <message>
        <source>Kept: “%1”. I inserts it into a letter.</source>
        <translation>Behalten: „%1“. I setzt ihn in einen Brief ein.</translation>
    </message>
    <message>
        <source>Speak over the clip</source>
        <translation>Zum Clip sprechen</translation>
    </message>
    <message>
        <source>V</source>
        <translation>V</translation>
    </message>
    <message>
        <source>You spoke over other pictures than the letter has now: V speaks anew or discards it, else there is no reply clip.</source>
        <translation>Du hast zu anderen Bildern gesprochen, als der Brief jetzt hat: Mit V sprichst du neu oder verwirfst es, sonst gibt es keinen Antwortclip.</translation>
    </message>
    <message>
        <source>The reply clip carries your voice.</source>
        <translation>Der Antwortclip trägt deine Stimme.</translation>
    </message>
    <message>
        <source>The reply clip carries your voice and captions.</source>
        <translation>Der Antwortclip trägt deine Stimme und Untertitel.</translation>
    </message>
</context>
<context>
    <name>deft::ui::AnswerPictures</name>
    <message>
        <source>Pictures: %1</source>
        <translation>Bilder: %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::AnswerRow</name>
    <message>
        <source>words of “%1”</source>
        <translation>Worte von „%1“</translation>
    </message>
    <message>
        <source>  (edited; what it rests on has changed)</source>
        <translation> (bearbeitet; worauf es beruht, hat sich geändert)</translation>
    </message>
    <message>
        <source>  (edited)</source>
        <translation> (bearbeitet)</translation>
    </message>
    <message>
        <source>  (added to; always sent)</source>
        <translation> (ergänzt; wird immer gesendet)</translation>
    </message>
    <message>
        <source>  (always sent)</source>
        <translation> (wird immer gesendet)</translation>
    </message>
    <message>
        <source>put in: %1</source>
        <translation>aufnehmen: %1</translation>
    </message>
    <message>
        <source>leave out: %1</source>
        <translation>weglassen: %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::Application</name>
    <message>
        <source>The program could not do this (%1). What was saved is safe. The log is in %2.</source>
        <translation>Das konnte das Programm nicht (%1). Was gespeichert war, ist sicher. Das Protokoll liegt in %2.</translation>
    </message>
</context>
<context>
    <name>deft::ui::Backlog</name>
    <message>
        <source>stopped by you</source>
        <translation>von dir angehalten</translation>
    </message>
</context>
<context>
    <name>deft::ui::BesideTable</name>
    <message>
        <source>Days</source>
        <translation>Tage</translation>
    </message>
    <message>
        <source>A day</source>
        <translation>Am Tag</translation>
    </message>
    <message>
        <source>not in it</source>
        <translation>nicht dabei</translation>
    </message>
    <message>
        <source>%1, changed</source>
        <translation>%1, geändert</translation>
    </message>
    <message>
        <source>Exercise</source>
        <translation>Übung</translation>
    </message>
    <message>
        <source>On the desk, from %1</source>
        <translation>Auf dem Tisch, ab %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClientForm</name>
    <message>
        <source>where answers go; may stay empty</source>
        <translation>wohin Antworten gehen; darf leer bleiben</translation>
    </message>
    <message>
        <source>Letters, sheets and practice pages are written in it; words of your own stay as they are</source>
        <translation>Briefe, Blätter und Übungsseiten werden darin geschrieben; deine eigenen Worte bleiben, wie sie sind</translation>
    </message>
    <message>
        <source>videos are kept until</source>
        <translation>Videos werden aufbewahrt bis</translation>
    </message>
    <message>
        <source>&amp;Name</source>
        <translation>&amp;Name</translation>
    </message>
    <message>
        <source>Same &amp;person as</source>
        <translation>Dieselbe &amp;Person wie</translation>
    </message>
    <message>
        <source>&amp;Wants</source>
        <translation>&amp;Wünsche</translation>
    </message>
    <message>
        <source>E-&amp;mail</source>
        <translation>E-&amp;Mail</translation>
    </message>
    <message>
        <source>&amp;Language</source>
        <translation>&amp;Sprache</translation>
    </message>
    <message>
        <source>&amp;Intake</source>
        <translation>Auf&amp;nahme</translation>
    </message>
    <message>
        <source>&amp;Consent of</source>
        <translation>Ein&amp;willigung vom</translation>
    </message>
    <message>
        <source>Each consent is recorded beside the ones before it. Without a tick it is withdrawn; the videos can be erased then. Ask in the way your local rules ask for. Two records of the same person become one for good; their flags add up. Nothing of the library is encrypted: whoever can use your account or your disk can read it, so use a password of your own and an encrypted disk.</source>
        <translation>Jede Einwilligung wird neben den früheren festgehalten. Ohne Häkchen ist sie widerrufen; dann können die Videos gelöscht werden. Frag so, wie es die Regeln an deinem Ort verlangen. Zwei Einträge derselben Person werden für immer einer; ihre Hinweise kommen zusammen. Nichts in der Bibliothek ist verschlüsselt: Wer dein Konto oder deine Platte benutzen kann, kann sie lesen. Nimm also ein eigenes Passwort und eine verschlüsselte Platte.</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>About %1</source>
        <translation>Über %1</translation>
    </message>
    <message>
        <source>nobody else on record</source>
        <translation>niemand sonst im Bestand</translation>
    </message>
    <message>
        <source>Not saved: “%1” is no e-mail address.</source>
        <translation>Nicht gespeichert: „%1“ ist keine E-Mail-Adresse.</translation>
    </message>
    <message>
        <source>Not saved: %1.</source>
        <translation>Nicht gespeichert: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClientLine</name>
    <message>
        <source>asked %1</source>
        <translation>verlangt %1</translation>
    </message>
    <message>
        <source>done on %1 of %2 days</source>
        <translation>an %1 von %2 Tagen gemacht</translation>
    </message>
    <message>
        <source>Pain was named</source>
        <translation>Schmerz wurde genannt</translation>
    </message>
    <message>
        <source>filed %1; kept as it was sent</source>
        <translation>abgelegt am %1; bleibt, wie es gesendet wurde</translation>
    </message>
    <message>
        <source>clip check: good, %1 view</source>
        <translation>Clip-Check: gut, Ansicht %1</translation>
    </message>
    <message>
        <source>clip check: %1</source>
        <translation>Clip-Check: %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClientPage</name>
    <message>
        <source>Client</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>the last review</source>
        <translation>die letzte Rückmeldung</translation>
    </message>
    <message>
        <source>About</source>
        <translation>Über</translation>
    </message>
    <message>
        <source>Flags and consent</source>
        <translation>Hinweise und Einwilligung</translation>
    </message>
    <message>
        <source>Edit</source>
        <translation>Bearbeiten</translation>
    </message>
    <message>
        <source>Edit what the client wants, intake flags and consent</source>
        <translation>Wünsche, Hinweise aus der Aufnahme und Einwilligung bearbeiten</translation>
    </message>
    <message>
        <source>Erase…</source>
        <translation>Löschen …</translation>
    </message>
    <message>
        <source>Del</source>
        <translation>Entf</translation>
    </message>
    <message>
        <source>Open this review on the bench</source>
        <translation>Auf der Werkbank öffnen</translation>
    </message>
    <message>
        <source>Report…</source>
        <translation>Bericht …</translation>
    </message>
    <message>
        <source>Bundle…</source>
        <translation>Bündel …</translation>
    </message>
    <message>
        <source>Nobody is on record yet</source>
        <translation>Noch ist niemand im Bestand</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>none made</source>
        <translation>keine gemacht</translation>
    </message>
    <message>
        <source>made %1, not sent yet</source>
        <translation>gemacht am %1, noch nicht gesendet</translation>
    </message>
    <message>
        <source>sent %1</source>
        <translation>gesendet am %1</translation>
    </message>
    <message>
        <source>There is no client yet. The first comes with the first clip: bring one in with Ctrl+O.</source>
        <translation>Noch gibt es niemanden. Der erste Mensch kommt mit dem ersten Clip: Hol mit Strg+O einen herein.</translation>
    </message>
    <message>
        <source>Since</source>
        <translation>Seit</translation>
    </message>
    <message>
        <source>E-mail</source>
        <translation>E-Mail</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>Wants</source>
        <translation>Wünsche</translation>
    </message>
    <message>
        <source>not written down</source>
        <translation>nicht aufgeschrieben</translation>
    </message>
    <message>
        <source>Felt in</source>
        <translation>Gespürt</translation>
    </message>
    <message>
        <source>Schools</source>
        <translation>Schulen</translation>
    </message>
    <message>
        <source>Practice</source>
        <translation>Üben</translation>
    </message>
    <message>
        <source>Mail</source>
        <translation>Mail</translation>
    </message>
    <message>
        <source>Flags</source>
        <translation>Hinweise</translation>
    </message>
    <message>
        <source>Pain</source>
        <translation>Schmerz</translation>
    </message>
    <message>
        <source>named with %1 of %2</source>
        <translation>bei %1 von %2 genannt</translation>
    </message>
    <message>
        <source>clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>never named</source>
        <translation>nie genannt</translation>
    </message>
    <message>
        <source>At home</source>
        <translation>Zu Hause</translation>
    </message>
    <message>
        <source>no pain told</source>
        <translation>kein Schmerz gemeldet</translation>
    </message>
    <message>
        <source>pain: %1</source>
        <translation>Schmerz: %1</translation>
    </message>
    <message>
        <source>Consent</source>
        <translation>Erlaubnis</translation>
    </message>
    <message>
        <source>Videos</source>
        <translation>Videos</translation>
    </message>
    <message>
        <source>No review of this exercise has been filed yet. Its readings stand here from the first on.</source>
        <translation>Zu dieser Übung ist noch keine Rückmeldung abgelegt. Ab der ersten stehen hier ihre Messwerte.</translation>
    </message>
    <message>
        <source>The last review has no readings.</source>
        <translation>Die letzte Rückmeldung hat keine Messwerte.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClipList</name>
    <message>
        <source>not looked at: %1. R tries again</source>
        <translation>nicht angesehen: %1. R versucht es noch einmal</translation>
    </message>
    <message>
        <source>%1, %2, %3, received %4, %5</source>
        <translation>%1, %2, %3, gekommen %4, %5</translation>
    </message>
    <message>
        <source>visit of %1 clips: %2</source>
        <translation>Besuch mit %1 Clips: %2</translation>
    </message>
    <message>
        <source>clip %1 of %2 of a visit: %3</source>
        <translation>Clip %1 von %2 eines Besuchs: %3</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClipSound</name>
    <message>
        <source>There is no sound device: the clip plays silently.</source>
        <translation>Es gibt kein Gerät für den Ton: Der Clip läuft stumm.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ClipWatch</name>
    <message>
        <source>%1 has gone or cannot be read. What was measured is kept; put the file back to go on.</source>
        <translation>%1 ist weg oder lässt sich nicht lesen. Was gemessen wurde, bleibt; leg die Datei zurück, um weiterzumachen.</translation>
    </message>
    <message>
        <source>%1 is another file now than the one that was marked. What was measured is kept; put the earlier file back, or bring this one in as a clip of its own.</source>
        <translation>%1 ist jetzt eine andere Datei als die, die markiert wurde. Was gemessen wurde, bleibt; leg die frühere zurück oder hol diese als eigenen Clip herein.</translation>
    </message>
</context>
<context>
    <name>deft::ui::CoachForm</name>
    <message>
        <source>About you</source>
        <translation>Über dich</translation>
    </message>
    <message>
        <source>Answers are signed with your first name. Mails that the program writes for you to send come from this address; it may stay empty.</source>
        <translation>Antworten werden mit deinem Vornamen unterschrieben. Mails, die das Programm zum Senden schreibt, kommen von dieser Adresse; sie darf leer bleiben.</translation>
    </message>
    <message>
        <source>Your &amp;name</source>
        <translation>Dein &amp;Name</translation>
    </message>
    <message>
        <source>E-&amp;mail</source>
        <translation>E-&amp;Mail</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Not saved: “%1” is no e-mail address.</source>
        <translation>Nicht gespeichert: „%1“ ist keine E-Mail-Adresse.</translation>
    </message>
    <message>
        <source>Not saved: %1.</source>
        <translation>Nicht gespeichert: %1.</translation>
    </message>
    <message>
        <source>New answers are signed by %1.</source>
        <translation>Neue Antworten werden mit %1 unterschrieben.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ComparePage</name>
    <message>
        <source>this clip</source>
        <translation>dieser Clip</translation>
    </message>
    <message>
        <source>Last time and this time</source>
        <translation>Letztes Mal und dieses Mal</translation>
    </message>
    <message>
        <source>First and last rep</source>
        <translation>Erste und letzte Wiederholung</translation>
    </message>
    <message>
        <source>Left and right</source>
        <translation>Links und rechts</translation>
    </message>
    <message>
        <source>Over the weeks</source>
        <translation>Über die Wochen</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
</context>
<context>
    <name>deft::ui::Comparison</name>
    <message>
        <source>This clip has not been measured yet.</source>
        <translation>Dieser Clip ist noch nicht gemessen.</translation>
    </message>
    <message>
        <source>No rep and no hold was found in this clip, so there is nothing to lay side by side.</source>
        <translation>In diesem Clip wurde keine Wiederholung und kein Halten gefunden, also gibt es nichts nebeneinanderzulegen.</translation>
    </message>
    <message>
        <source>The other clip is no longer in the library.</source>
        <translation>Der andere Clip ist nicht mehr in der Bibliothek.</translation>
    </message>
    <message>
        <source>The other clip is being measured …</source>
        <translation>Der andere Clip wird gemessen …</translation>
    </message>
    <message>
        <source>The other clip cannot be shown: %1.</source>
        <translation>Der andere Clip lässt sich nicht zeigen: %1.</translation>
    </message>
    <message>
        <source>No rep and no hold was found in the other clip.</source>
        <translation>Im anderen Clip wurde keine Wiederholung und kein Halten gefunden.</translation>
    </message>
    <message>
        <source>This is the client&apos;s first clip of this exercise. From the second on, last time stands here.</source>
        <translation>Das ist der erste Clip dieser Übung. Ab dem zweiten steht hier das letzte Mal.</translation>
    </message>
    <message>
        <source>This is the client&apos;s first clip of this version. From the second on, last time stands here.</source>
        <translation>Das ist der erste Clip dieser Version. Ab dem zweiten steht hier das letzte Mal.</translation>
    </message>
    <message>
        <source>Last time, %1</source>
        <translation>Letztes Mal, %1</translation>
    </message>
    <message>
        <source>This time, %1</source>
        <translation>Dieses Mal, %1</translation>
    </message>
    <message>
        <source>First rep</source>
        <translation>Erste Wiederholung</translation>
    </message>
    <message>
        <source>Last rep, number %1</source>
        <translation>Letzte Wiederholung, Nummer %1</translation>
    </message>
    <message>
        <source>First third of the hold</source>
        <translation>Erstes Drittel des Haltens</translation>
    </message>
    <message>
        <source>Last third of the hold</source>
        <translation>Letztes Drittel des Haltens</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>This exercise is done with both sides at once.</source>
        <translation>Diese Übung wird mit beiden Seiten zugleich gemacht.</translation>
    </message>
    <message>
        <source>There is no marked clip of the right side yet.</source>
        <translation>Von der rechten Seite gibt es noch keinen markierten Clip.</translation>
    </message>
    <message>
        <source>There is no marked clip of the left side yet.</source>
        <translation>Von der linken Seite gibt es noch keinen markierten Clip.</translation>
    </message>
    <message>
        <source>This is the client&apos;s first clip of this exercise. Its readings stand here from the second on.</source>
        <translation>Das ist der erste Clip dieser Übung. Ab dem zweiten stehen hier seine Messwerte.</translation>
    </message>
    <message>
        <source>No reading was known more than once.</source>
        <translation>Kein Messwert war mehr als einmal bekannt.</translation>
    </message>
</context>
<context>
    <name>deft::ui::CoursePanel</name>
    <message>
        <source>Weeks</source>
        <translation>Wochen</translation>
    </message>
    <message>
        <source>the first programme</source>
        <translation>der erste Übungsplan</translation>
    </message>
    <message>
        <source>as it was given</source>
        <translation>wie gegeben</translation>
    </message>
    <message>
        <source>as before</source>
        <translation>wie zuvor</translation>
    </message>
    <message>
        <source>change</source>
        <translation>Änderung</translation>
    </message>
    <message>
        <source>changes</source>
        <translation>Änderungen</translation>
    </message>
</context>
<context>
    <name>deft::ui::CuesPanel</name>
    <message>
        <source>Cues given</source>
        <translation>Gegebene Hinweise</translation>
    </message>
    <message>
        <source>the last %1 of %2</source>
        <translation>die letzten %1 von %2</translation>
    </message>
    <message>
        <source>solid: it worked; ticks: nothing real came of it</source>
        <translation>ausgefüllt: hat gewirkt; Striche: nichts Wirkliches kam dabei heraus</translation>
    </message>
    <message>
        <source>None yet for this exercise.</source>
        <translation>Noch keine für diese Übung.</translation>
    </message>
</context>
<context>
    <name>deft::ui::DecidedPanel</name>
    <message>
        <source>Decided</source>
        <translation>Entschieden</translation>
    </message>
    <message>
        <source>%1, review %2 of %3</source>
        <translation>%1, Rückmeldung %2 von %3</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>No review of this exercise has been filed yet.</source>
        <translation>Zu dieser Übung ist noch keine Rückmeldung abgelegt.</translation>
    </message>
</context>
<context>
    <name>deft::ui::DemoPhone</name>
    <message>
        <source>The simulated phone could not send its clip: %1.</source>
        <translation>Das simulierte Handy konnte seinen Clip nicht senden: %1.</translation>
    </message>
    <message>
        <source>The simulated phones have sent all their clips.</source>
        <translation>Die simulierten Handys haben alle ihre Clips gesendet.</translation>
    </message>
    <message>
        <source>A clip of %1 is coming in from a simulated phone.</source>
        <translation>Ein Clip von %1 kommt von einem simulierten Handy herein.</translation>
    </message>
</context>
<context>
    <name>deft::ui::DifferencePanel</name>
    <message>
        <source>What differs</source>
        <translation>Was sich unterscheidet</translation>
    </message>
    <message>
        <source>real = outside the band in which change is only noise, and more than reps differ</source>
        <translation>wirklich = außerhalb des Bands, in dem eine Änderung nur Rauschen ist, und mehr, als Wiederholungen sich unterscheiden</translation>
    </message>
</context>
<context>
    <name>deft::ui::DifferenceTable</name>
    <message>
        <source>cannot tell</source>
        <translation>nicht zu sagen</translation>
    </message>
    <message>
        <source>no real difference</source>
        <translation>kein wirklicher Unterschied</translation>
    </message>
    <message>
        <source>reps differ as much</source>
        <translation>Wiederholungen unterscheiden sich ebenso</translation>
    </message>
    <message>
        <source>really different</source>
        <translation>wirklich anders</translation>
    </message>
    <message>
        <source>really better</source>
        <translation>wirklich besser</translation>
    </message>
    <message>
        <source>really worse</source>
        <translation>wirklich schlechter</translation>
    </message>
    <message>
        <source>difference</source>
        <translation>Unterschied</translation>
    </message>
    <message>
        <source>%1 ± %2</source>
        <translation>%1 ± %2</translation>
    </message>
    <message>
        <source>reading</source>
        <translation>Messwert</translation>
    </message>
    <message>
        <source>is it real</source>
        <translation>ob es wirklich ist</translation>
    </message>
</context>
<context>
    <name>deft::ui::DonePanel</name>
    <message>
        <source>Done</source>
        <translation>Gemacht</translation>
    </message>
    <message>
        <source>%1: %2 of %3</source>
        <translation>%1: %2 von %3</translation>
    </message>
    <message>
        <source>, pain</source>
        <translation>, Schmerz</translation>
    </message>
    <message>
        <source>week</source>
        <translation>Woche</translation>
    </message>
    <message>
        <source>weeks</source>
        <translation>Wochen</translation>
    </message>
    <message>
        <source>nothing has come home yet</source>
        <translation>noch ist nichts von zu Hause gekommen</translation>
    </message>
    <message>
        <source>Nothing has come home yet.</source>
        <translation>Noch ist nichts von zu Hause gekommen.</translation>
    </message>
</context>
<context>
    <name>deft::ui::DoseForm</name>
    <message>
        <source>Version</source>
        <translation>Version</translation>
    </message>
    <message>
        <source>Side that begins</source>
        <translation>Seite, die beginnt</translation>
    </message>
    <message>
        <source>no difference</source>
        <translation>kein Unterschied</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>Rounds</source>
        <translation>Runden</translation>
    </message>
    <message>
        <source>Repetitions</source>
        <translation>Wiederholungen</translation>
    </message>
    <message>
        <source>one</source>
        <translation>eine</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Rest between rounds</source>
        <translation>Pause zwischen Runden</translation>
    </message>
    <message>
        <source>Days a week</source>
        <translation>Tage pro Woche</translation>
    </message>
    <message>
        <source>What to watch, to the client</source>
        <translation>Worauf zu achten ist, an die Person</translation>
    </message>
    <message>
        <source>reps</source>
        <translation>Wdh.</translation>
    </message>
    <message>
        <source>rest</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>Days</source>
        <translation>Tage</translation>
    </message>
    <message>
        <source>first</source>
        <translation>zuerst</translation>
    </message>
    <message>
        <source>Watch</source>
        <translation>Achten auf</translation>
    </message>
</context>
<context>
    <name>deft::ui::DrawingTool</name>
    <message>
        <source>Angle: press on one arm, on the corner, on the other arm</source>
        <translation>Winkel: auf einen Schenkel, auf die Ecke, auf den anderen Schenkel drücken</translation>
    </message>
    <message>
        <source>now the corner</source>
        <translation>jetzt die Ecke</translation>
    </message>
    <message>
        <source>now the other arm</source>
        <translation>jetzt der andere Schenkel</translation>
    </message>
    <message>
        <source>Words: press where they belong</source>
        <translation>Worte: dorthin drücken, wo sie hingehören</translation>
    </message>
    <message>
        <source>Arrow: drag from its words to what it points at</source>
        <translation>Pfeil: von seinen Worten zu dem ziehen, worauf er zeigt</translation>
    </message>
    <message>
        <source>Line: drag from one end to the other</source>
        <translation>Linie: von einem Ende zum anderen ziehen</translation>
    </message>
    <message>
        <source>words, then Enter</source>
        <translation>Worte, dann Eingabe</translation>
    </message>
    <message>
        <source>words if you like, then Enter</source>
        <translation>Worte, wenn du magst, dann Eingabe</translation>
    </message>
    <message>
        <source>%1 drawn</source>
        <translation>%1 gezeichnet</translation>
    </message>
    <message>
        <source>%1 taken out</source>
        <translation>%1 entfernt</translation>
    </message>
</context>
<context>
    <name>deft::ui::EraseForm</name>
    <message>
        <source>the &amp;videos: clips, pictures, tracks, reply clips, pages and mails; the numbers stay</source>
        <translation>die &amp;Videos: Clips, Bilder, Spuren, Antwortclips, Seiten und Mails; die Zahlen bleiben</translation>
    </message>
    <message>
        <source>e&amp;verything: the numbers, the letters and the record, too</source>
        <translation>&amp;alles: auch die Zahlen, die Briefe und den Eintrag</translation>
    </message>
    <message>
        <source>Erase for good</source>
        <translation>Für immer löschen</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Erase what there is of %1</source>
        <translation>Löschen, was es von %1 gibt</translation>
    </message>
    <message>
        <source>This takes %1 (%2 MB) of the library</source>
        <translation>Das nimmt %1 (%2 MB) aus der Bibliothek</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>, %1, and the client&apos;s record with its consents.</source>
        <translation>, %1 und den Eintrag mit seinen Einwilligungen.</translation>
    </message>
    <message>
        <source>review</source>
        <translation>Rückmeldung</translation>
    </message>
    <message>
        <source>reviews</source>
        <translation>Rückmeldungen</translation>
    </message>
    <message>
        <source>; readings, decisions and letters can still be read and compared with.</source>
        <translation>; Messwerte, Entscheidungen und Briefe lassen sich weiter lesen und vergleichen.</translation>
    </message>
    <message>
        <source>

%1 not been answered yet and goes with it.</source>
        <translation>

%1 noch nicht beantwortet und geht mit.</translation>
    </message>
    <message>
        <source>One clip has</source>
        <translation>Ein Clip ist</translation>
    </message>
    <message>
        <source>%1 clips have</source>
        <translation>%1 Clips sind</translation>
    </message>
    <message>
        <source>

These lie outside the library and are left alone; remove them yourself:</source>
        <translation>

Diese liegen außerhalb der Bibliothek und bleiben unberührt; entfern sie selbst:</translation>
    </message>
    <message>
        <source>

It cannot be undone. Copies of the library that you made, and mails that you sent, are not reached.</source>
        <translation>

Es lässt sich nicht rückgängig machen. Kopien der Bibliothek, die du gemacht hast, und Mails, die du gesendet hast, werden nicht erreicht.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ExercisesPage</name>
    <message>
        <source>Exercises</source>
        <translation>Übungen</translation>
    </message>
    <message>
        <source>The exercise as a page</source>
        <translation>Die Übung als Seite</translation>
    </message>
    <message>
        <source>My own file of this exercise</source>
        <translation>Meine eigene Datei dieser Übung</translation>
    </message>
    <message>
        <source>E</source>
        <translation>E</translation>
    </message>
    <message>
        <source>Damaged files</source>
        <translation>Beschädigte Dateien</translation>
    </message>
    <message>
        <source>Filmed from: %1</source>
        <translation>Gefilmt von: %1</translation>
    </message>
    <message>
        <source>, or </source>
        <translation>, oder </translation>
    </message>
    <message>
        <source>   Also called: %1</source>
        <translation>   Auch genannt: %1</translation>
    </message>
    <message>
        <source>   Left and right</source>
        <translation>   Links und rechts</translation>
    </message>
</context>
<context>
    <name>deft::ui::ExpectedList</name>
    <message>
        <source>Clips that are expected</source>
        <translation>Clips, die erwartet werden</translation>
    </message>
    <message>
        <source>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;&lt;b&gt;Expected&lt;/b&gt;&lt;/p&gt;</source>
        <translation>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;&lt;b&gt;Erwartet&lt;/b&gt;&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;%1, %2: %3, as the programme asks&lt;/p&gt;</source>
        <translation>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;%1, %2: %3, wie der Übungsplan es möchte&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;%1, %2: %3. &lt;a href=&quot;remind %4&quot;&gt;Draft a reminder&lt;/a&gt; &amp;nbsp; &lt;a href=&quot;waive %4&quot;&gt;Stop waiting for it&lt;/a&gt;&lt;/p&gt;</source>
        <translation>&lt;p style=&apos;margin:0 0 2px 0&apos;&gt;%1, %2: %3. &lt;a href=&quot;remind %4&quot;&gt;Erinnerung entwerfen&lt;/a&gt; &amp;nbsp; &lt;a href=&quot;waive %4&quot;&gt;Nicht mehr darauf warten&lt;/a&gt;&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p style=&apos;margin:0&apos;&gt;and %1 more&lt;/p&gt;</source>
        <translation>&lt;p style=&apos;margin:0&apos;&gt;und %1 weitere&lt;/p&gt;</translation>
    </message>
</context>
<context>
    <name>deft::ui::FirstSteps</name>
    <message>
        <source>Hide these steps</source>
        <translation>Diese Schritte ausblenden</translation>
    </message>
    <message>
        <source>F8</source>
        <translation>F8</translation>
    </message>
</context>
<context>
    <name>deft::ui::GiveWayPlot</name>
    <message>
        <source>Give-way</source>
        <translation>Nachgeben</translation>
    </message>
</context>
<context>
    <name>deft::ui::GrowingText</name>
    <message>
        <source>No word like it is known</source>
        <translation>Kein ähnliches Wort bekannt</translation>
    </message>
    <message>
        <source>“%1” is right</source>
        <translation>„%1“ ist richtig</translation>
    </message>
    <message>
        <source>Not kept: %1.</source>
        <translation>Nicht behalten: %1.</translation>
    </message>
    <message>
        <source>Keep this part as a sentence of your own…</source>
        <translation>Diesen Teil als eigenen Satz behalten …</translation>
    </message>
    <message>
        <source>Keep the selection as a sentence of your own…</source>
        <translation>Die Auswahl als eigenen Satz behalten …</translation>
    </message>
    <message>
        <source>Remove a sentence of your own</source>
        <translation>Einen eigenen Satz entfernen</translation>
    </message>
</context>
<context>
    <name>deft::ui::Guide</name>
    <message>
        <source>Guide</source>
        <translation>Anleitung</translation>
    </message>
    <message>
        <source>Pages of the guide</source>
        <translation>Seiten der Anleitung</translation>
    </message>
</context>
<context>
    <name>deft::ui::HardWord</name>
    <message>
        <source>Control range: how far the moving part went before the part that is to stay still left its tolerance.</source>
        <translation>Kontrollbereich: wie weit der bewegte Teil kam, bevor der Teil, der still bleiben soll, seine Toleranz verließ.</translation>
    </message>
    <message>
        <source>Give-way: how far the part that is to stay still strayed while the other part moved. Where a line leaves the pale floor, control ended.</source>
        <translation>Nachgeben: wie weit der Teil abwich, der still bleiben soll, während der andere sich bewegte. Wo eine Linie den hellen Boden verlässt, endete die Kontrolle.</translation>
    </message>
    <message>
        <source>±: the true value lies within this much of the number 19 times in 20.</source>
        <translation>±: So nah liegt der wahre Wert in 19 von 20 Fällen an der Zahl.</translation>
    </message>
    <message>
        <source>Cannot tell: the limit lies inside the ± of the reading, or too little was seen. Another clip may tell.</source>
        <translation>Nicht zu sagen: Die Grenze liegt innerhalb des ± des Messwerts, oder es war zu wenig zu sehen. Ein anderer Clip kann es zeigen.</translation>
    </message>
</context>
<context>
    <name>deft::ui::IntakeButton</name>
    <message>
        <source>Intake</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>nothing that holds an exercise back</source>
        <translation>nichts, was eine Übung zurückhält</translation>
    </message>
</context>
<context>
    <name>deft::ui::KeepSentence</name>
    <message>
        <source>A sentence of your own</source>
        <translation>Ein eigener Satz</translation>
    </message>
    <message>
        <source>The program fills {name}, {exercise}, {target}, {day} of the next clip, and {coach} for each client.</source>
        <translation>Das Programm setzt {name}, {exercise} (Übung), {target} (Ziel), {day} (Tag des nächsten Clips) und {coach} für jeden Klienten ein.</translation>
    </message>
    <message>
        <source>&amp;Name</source>
        <translation>&amp;Name</translation>
    </message>
    <message>
        <source>&amp;Sentence</source>
        <translation>&amp;Satz</translation>
    </message>
    <message>
        <source>Not kept: %1.</source>
        <translation>Nicht behalten: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::KeyButton</name>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
</context>
<context>
    <name>deft::ui::KeysSheet</name>
    <message>
        <source>All keys</source>
        <translation>Alle Tasten</translation>
    </message>
</context>
<context>
    <name>deft::ui::LadderPanel</name>
    <message>
        <source>Ladder</source>
        <translation>Leiter</translation>
    </message>
</context>
<context>
    <name>deft::ui::LandmarkCard</name>
    <message>
        <source>Landmark</source>
        <translation>Körperpunkt</translation>
    </message>
    <message>
        <source>Drag a mark, or choose one with [ and ].</source>
        <translation>Zieh eine Marke oder wähl eine mit [ und ].</translation>
    </message>
</context>
<context>
    <name>deft::ui::Letter</name>
    <message>
        <source>ready for the letter</source>
        <translation>bereit für den Brief</translation>
    </message>
</context>
<context>
    <name>deft::ui::MailList</name>
    <message>
        <source>Mails made and sent</source>
        <translation>Gemachte und gesendete Mails</translation>
    </message>
    <message>
        <source>Not changed: %1.</source>
        <translation>Nicht geändert: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::MailTable</name>
    <message>
        <source>not yet</source>
        <translation>noch nicht</translation>
    </message>
    <message>
        <source>To</source>
        <translation>An</translation>
    </message>
    <message>
        <source>About</source>
        <translation>Über</translation>
    </message>
    <message>
        <source>Made</source>
        <translation>Gemacht</translation>
    </message>
    <message>
        <source>Sent</source>
        <translation>Gesendet</translation>
    </message>
</context>
<context>
    <name>deft::ui::MainWindow</name>
    <message>
        <source>Begin, or use what was found</source>
        <translation>Anfangen, oder verwenden, was sich ergab</translation>
    </message>
    <message>
        <source>Remove the last mark</source>
        <translation>Die letzte Marke entfernen</translation>
    </message>
    <message>
        <source>Another round</source>
        <translation>Noch eine Runde</translation>
    </message>
    <message>
        <source>Use the usual value again</source>
        <translation>Wieder den üblichen Wert verwenden</translation>
    </message>
    <message>
        <source>Cursor left</source>
        <translation>Zeiger nach links</translation>
    </message>
    <message>
        <source>Cursor right</source>
        <translation>Zeiger nach rechts</translation>
    </message>
    <message>
        <source>Cursor up</source>
        <translation>Zeiger nach oben</translation>
    </message>
    <message>
        <source>Cursor down</source>
        <translation>Zeiger nach unten</translation>
    </message>
    <message>
        <source>%1, far</source>
        <translation>%1, weit</translation>
    </message>
    <message>
        <source>Mark at the cursor</source>
        <translation>Beim Zeiger markieren</translation>
    </message>
    <message>
        <source>Next picture that was marked</source>
        <translation>Nächstes Bild, das markiert wurde</translation>
    </message>
    <message>
        <source>Previous picture that was marked</source>
        <translation>Voriges Bild, das markiert wurde</translation>
    </message>
    <message>
        <source>Back to the bench, or to the queue</source>
        <translation>Zurück zur Werkbank oder zur Liste</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Datei</translation>
    </message>
    <message>
        <source>Add a clip…</source>
        <translation>Clip hinzufügen …</translation>
    </message>
    <message>
        <source>Import marks…</source>
        <translation>Marken einlesen …</translation>
    </message>
    <message>
        <source>Export marks…</source>
        <translation>Marken ausgeben …</translation>
    </message>
    <message>
        <source>Export measurements…</source>
        <translation>Messwerte ausgeben …</translation>
    </message>
    <message>
        <source>Your name and address…</source>
        <translation>Dein Name und deine Adresse …</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>&amp;Rooms</source>
        <translation>&amp;Räume</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>Bench</source>
        <translation>Werkbank</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>Answer</source>
        <translation>Antwort</translation>
    </message>
    <message>
        <source>Client</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>Programme</source>
        <translation>Übungsplan</translation>
    </message>
    <message>
        <source>Exercises</source>
        <translation>Übungen</translation>
    </message>
    <message>
        <source>Practice</source>
        <translation>Üben</translation>
    </message>
    <message>
        <source>&amp;Queue</source>
        <translation>&amp;Liste</translation>
    </message>
    <message>
        <source>&amp;Moments</source>
        <translation>&amp;Momente</translation>
    </message>
    <message>
        <source>Next moment</source>
        <translation>Nächster Moment</translation>
    </message>
    <message>
        <source>Previous moment</source>
        <translation>Voriger Moment</translation>
    </message>
    <message>
        <source>Agree</source>
        <translation>Zustimmen</translation>
    </message>
    <message>
        <source>Reject</source>
        <translation>Ablehnen</translation>
    </message>
    <message>
        <source>To the answer, or measure</source>
        <translation>Zur Antwort, oder messen</translation>
    </message>
    <message>
        <source>File and send as it stands, and open the next clip</source>
        <translation>Ablegen und senden, wie es ist, und den nächsten Clip öffnen</translation>
    </message>
    <message>
        <source>Back to the queue</source>
        <translation>Zurück zur Liste</translation>
    </message>
    <message>
        <source>Override the target</source>
        <translation>Das Ziel überstimmen</translation>
    </message>
    <message>
        <source>Schools</source>
        <translation>Schulen</translation>
    </message>
    <message>
        <source>&amp;Picture</source>
        <translation>&amp;Bild</translation>
    </message>
    <message>
        <source>Next frame</source>
        <translation>Nächstes Einzelbild</translation>
    </message>
    <message>
        <source>Previous frame</source>
        <translation>Voriges Einzelbild</translation>
    </message>
    <message>
        <source>Next phase</source>
        <translation>Nächster Abschnitt</translation>
    </message>
    <message>
        <source>Previous phase</source>
        <translation>Voriger Abschnitt</translation>
    </message>
    <message>
        <source>Next rep</source>
        <translation>Nächste Wiederholung</translation>
    </message>
    <message>
        <source>Previous rep</source>
        <translation>Vorige Wiederholung</translation>
    </message>
    <message>
        <source>Next reading&apos;s worst</source>
        <translation>Spitze des nächsten Messwerts</translation>
    </message>
    <message>
        <source>Previous reading&apos;s worst</source>
        <translation>Spitze des vorigen Messwerts</translation>
    </message>
    <message>
        <source>First frame</source>
        <translation>Erstes Einzelbild</translation>
    </message>
    <message>
        <source>Last frame</source>
        <translation>Letztes Einzelbild</translation>
    </message>
    <message>
        <source>Play or pause</source>
        <translation>Abspielen oder anhalten</translation>
    </message>
    <message>
        <source>Full speed</source>
        <translation>Volles Tempo</translation>
    </message>
    <message>
        <source>Half speed</source>
        <translation>Halbes Tempo</translation>
    </message>
    <message>
        <source>Quarter speed</source>
        <translation>Viertel des Tempos</translation>
    </message>
    <message>
        <source>Best frame over</source>
        <translation>Bestes Bild darüber</translation>
    </message>
    <message>
        <source>Picture alone</source>
        <translation>Bild allein</translation>
    </message>
    <message>
        <source>Fit the whole picture</source>
        <translation>Das ganze Bild einpassen</translation>
    </message>
    <message>
        <source>Export this picture…</source>
        <translation>Dieses Bild ausgeben …</translation>
    </message>
    <message>
        <source>Export the rep sheet and plots…</source>
        <translation>Wiederholungsblatt und Kurven ausgeben …</translation>
    </message>
    <message>
        <source>Show time plots</source>
        <translation>Zeitkurven zeigen</translation>
    </message>
    <message>
        <source>Loop this rep</source>
        <translation>Diese Wiederholung in Schleife</translation>
    </message>
    <message>
        <source>A&amp;nnotate</source>
        <translation>&amp;Anmerken</translation>
    </message>
    <message>
        <source>Mar&amp;ks</source>
        <translation>Mar&amp;ken</translation>
    </message>
    <message>
        <source>Edit landmark</source>
        <translation>Körperpunkt bearbeiten</translation>
    </message>
    <message>
        <source>Next place where a mark got weak</source>
        <translation>Nächste Stelle, an der eine Marke schwach wurde</translation>
    </message>
    <message>
        <source>Previous place where a mark got weak</source>
        <translation>Vorige Stelle, an der eine Marke schwach wurde</translation>
    </message>
    <message>
        <source>Next mark</source>
        <translation>Nächste Marke</translation>
    </message>
    <message>
        <source>Previous mark</source>
        <translation>Vorige Marke</translation>
    </message>
    <message>
        <source>Move it left</source>
        <translation>Nach links rücken</translation>
    </message>
    <message>
        <source>Move it right</source>
        <translation>Nach rechts rücken</translation>
    </message>
    <message>
        <source>Move it up</source>
        <translation>Nach oben rücken</translation>
    </message>
    <message>
        <source>Move it down</source>
        <translation>Nach unten rücken</translation>
    </message>
    <message>
        <source>Move it finely left</source>
        <translation>Fein nach links rücken</translation>
    </message>
    <message>
        <source>Move it finely right</source>
        <translation>Fein nach rechts rücken</translation>
    </message>
    <message>
        <source>Move it finely up</source>
        <translation>Fein nach oben rücken</translation>
    </message>
    <message>
        <source>Move it finely down</source>
        <translation>Fein nach unten rücken</translation>
    </message>
    <message>
        <source>Snap to the sticker or corner nearby</source>
        <translation>An Aufkleber oder Ecke in der Nähe einrasten</translation>
    </message>
    <message>
        <source>Mark the corners of the mat</source>
        <translation>Die Ecken der Matte markieren</translation>
    </message>
    <message>
        <source>Size of the mat</source>
        <translation>Größe der Matte</translation>
    </message>
    <message>
        <source>%1 × %2 cm</source>
        <translation>%1 × %2 cm</translation>
    </message>
    <message>
        <source>Confirm all proposed marks</source>
        <translation>Alle vorgeschlagenen Marken bestätigen</translation>
    </message>
    <message>
        <source>Go to the proposed marks</source>
        <translation>Zu den vorgeschlagenen Marken gehen</translation>
    </message>
    <message>
        <source>Place the next mark, or a point of the drawing, at the cursor</source>
        <translation>Die nächste Marke oder einen Punkt der Zeichnung beim Zeiger setzen</translation>
    </message>
    <message>
        <source>Not visible from here on</source>
        <translation>Ab hier nicht sichtbar</translation>
    </message>
    <message>
        <source>Skip this mark when placing</source>
        <translation>Diese Marke beim Setzen überspringen</translation>
    </message>
    <message>
        <source>&amp;Compare</source>
        <translation>&amp;Vergleichen</translation>
    </message>
    <message>
        <source>Last time and this time</source>
        <translation>Letztes Mal und dieses Mal</translation>
    </message>
    <message>
        <source>First and last rep</source>
        <translation>Erste und letzte Wiederholung</translation>
    </message>
    <message>
        <source>Left and right</source>
        <translation>Links und rechts</translation>
    </message>
    <message>
        <source>Over the weeks</source>
        <translation>Über die Wochen</translation>
    </message>
    <message>
        <source>A little later in the movement</source>
        <translation>Etwas später in der Bewegung</translation>
    </message>
    <message>
        <source>A little earlier</source>
        <translation>Etwas früher</translation>
    </message>
    <message>
        <source>Move on to the next part</source>
        <translation>Weiter zum nächsten Teil</translation>
    </message>
    <message>
        <source>Move on to the previous part</source>
        <translation>Weiter zum vorigen Teil</translation>
    </message>
    <message>
        <source>Next pair of reps</source>
        <translation>Nächstes Paar von Wiederholungen</translation>
    </message>
    <message>
        <source>Previous pair of reps</source>
        <translation>Voriges Paar von Wiederholungen</translation>
    </message>
    <message>
        <source>Back to the bench from comparing</source>
        <translation>Vom Vergleichen zurück zur Werkbank</translation>
    </message>
    <message>
        <source>&amp;Answer</source>
        <translation>&amp;Antwort</translation>
    </message>
    <message>
        <source>Next part</source>
        <translation>Nächster Teil</translation>
    </message>
    <message>
        <source>Previous part</source>
        <translation>Voriger Teil</translation>
    </message>
    <message>
        <source>Include or leave out this part</source>
        <translation>Diesen Teil aufnehmen oder weglassen</translation>
    </message>
    <message>
        <source>Edit its text</source>
        <translation>Seinen Text bearbeiten</translation>
    </message>
    <message>
        <source>Choose the frame of the next picture</source>
        <translation>Das Bild des nächsten Platzes wählen</translation>
    </message>
    <message>
        <source>Picture: next frame</source>
        <translation>Bild: nächstes Einzelbild</translation>
    </message>
    <message>
        <source>Picture: previous frame</source>
        <translation>Bild: voriges Einzelbild</translation>
    </message>
    <message>
        <source>Picture: next rep</source>
        <translation>Bild: nächste Wiederholung</translation>
    </message>
    <message>
        <source>Picture: previous rep</source>
        <translation>Bild: vorige Wiederholung</translation>
    </message>
    <message>
        <source>Picture: the bench&apos;s frame</source>
        <translation>Bild: das der Werkbank</translation>
    </message>
    <message>
        <source>Words and pictures as computed</source>
        <translation>Worte und Bilder wie berechnet</translation>
    </message>
    <message>
        <source>Export the answer: PDF, page, text, mail, clip, calendar…</source>
        <translation>Die Antwort ausgeben: PDF, Seite, Text, Mail, Clip, Kalender …</translation>
    </message>
    <message>
        <source>Back to the bench</source>
        <translation>Zurück zur Werkbank</translation>
    </message>
    <message>
        <source>File and send</source>
        <translation>Ablegen und senden</translation>
    </message>
    <message>
        <source>File and send, and open the next clip</source>
        <translation>Ablegen und senden, und den nächsten Clip öffnen</translation>
    </message>
    <message>
        <source>File this clip alone, without the others of its visit</source>
        <translation>Diesen Clip allein ablegen, ohne die anderen seines Besuchs</translation>
    </message>
    <message>
        <source>C&amp;lient</source>
        <translation>P&amp;erson</translation>
    </message>
    <message>
        <source>P&amp;rogramme</source>
        <translation>Ü&amp;bungsplan</translation>
    </message>
    <message>
        <source>E&amp;xercises</source>
        <translation>Ü&amp;bungen</translation>
    </message>
    <message>
        <source>My own file of this exercise</source>
        <translation>Meine eigene Datei dieser Übung</translation>
    </message>
    <message>
        <source>Export a sheet for a client…</source>
        <translation>Blatt für die Person ausgeben …</translation>
    </message>
    <message>
        <source>Save my file</source>
        <translation>Meine Datei speichern</translation>
    </message>
    <message>
        <source>Back to the page, or to the bench</source>
        <translation>Zurück zur Seite oder zur Werkbank</translation>
    </message>
    <message>
        <source>P&amp;ractice</source>
        <translation>Markieren ü&amp;ben</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>A&amp;nsicht</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Dunkel</translation>
    </message>
    <message>
        <source>Full screen</source>
        <translation>Vollbild</translation>
    </message>
    <message>
        <source>Menu</source>
        <translation>Menü</translation>
    </message>
    <message>
        <source>Language of the window</source>
        <translation>Sprache des Fensters</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>Guide</source>
        <translation>Anleitung</translation>
    </message>
    <message>
        <source>All keys</source>
        <translation>Alle Tasten</translation>
    </message>
    <message>
        <source>Hide the first steps for good</source>
        <translation>Die ersten Schritte für immer ausblenden</translation>
    </message>
    <message>
        <source>About Deft Mirror</source>
        <translation>Über Deft Mirror</translation>
    </message>
    <message>
        <source>&lt;b&gt;Deft Mirror %1&lt;/b&gt;&lt;p&gt;Measures recorded core exercises and drafts the answer to the client. It is no medical device: it describes movement and makes no diagnosis. Local rules and licensed practice come first.&lt;/p&gt;&lt;p&gt;GPL-3.0-or-later. Typeface Inter, SIL Open Font License 1.1. Other licences: NOTICE.&lt;/p&gt;</source>
        <translation>&lt;b&gt;Deft Mirror %1&lt;/b&gt;&lt;p&gt;Misst aufgenommene Rumpfübungen und entwirft die Antwort. Es ist kein Medizinprodukt: Es beschreibt Bewegung und stellt keine Diagnose. Örtliche Regeln und Heilberufe gehen vor.&lt;/p&gt;&lt;p&gt;GPL-3.0-or-later. Schrift Inter, SIL Open Font License 1.1. Weitere Lizenzen: NOTICE.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>Open a clip first</source>
        <translation>Öffne zuerst einen Clip</translation>
    </message>
    <message>
        <source>school: %1</source>
        <translation>Schule: %1</translation>
    </message>
    <message>
        <source>Use these schools for new clips, too</source>
        <translation>Diese Schulen auch für neue Clips verwenden</translation>
    </message>
    <message>
        <source>A client&apos;s clip</source>
        <translation>Ein Clip</translation>
    </message>
    <message>
        <source>Clips (*.mp4 *.mov *.mkv *.webm *.m4v *.avi);;All files (*)</source>
        <translation>Clips (*.mp4 *.mov *.mkv *.webm *.m4v *.avi);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Open a clip first; marks belong to one.</source>
        <translation>Öffne zuerst einen Clip; Marken gehören zu einem.</translation>
    </message>
    <message>
        <source>Marks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>Marks (*.json)</source>
        <translation>Marken (*.json)</translation>
    </message>
    <message>
        <source>Marks exported to %1.</source>
        <translation>Marken nach %1 ausgegeben.</translation>
    </message>
    <message>
        <source>Marks not written: %1.</source>
        <translation>Marken nicht geschrieben: %1.</translation>
    </message>
    <message>
        <source>There are no measurements yet.</source>
        <translation>Noch gibt es keine Messwerte.</translation>
    </message>
    <message>
        <source>Folder for review.json, series.csv and tracks.csv</source>
        <translation>Ordner für review.json, series.csv und tracks.csv</translation>
    </message>
    <message>
        <source>Measurements exported to %1.</source>
        <translation>Messwerte nach %1 ausgegeben.</translation>
    </message>
    <message>
        <source>Measurements not written: %1.</source>
        <translation>Messwerte nicht geschrieben: %1.</translation>
    </message>
    <message>
        <source>%1: from the next start on.</source>
        <translation>%1: ab dem nächsten Start.</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Wie die Arbeitsoberfläche</translation>
    </message>
    <message>
        <source>Draw an arrow</source>
        <translation>Einen Pfeil zeichnen</translation>
    </message>
    <message>
        <source>Draw a line</source>
        <translation>Eine Linie zeichnen</translation>
    </message>
    <message>
        <source>Draw an angle</source>
        <translation>Einen Winkel zeichnen</translation>
    </message>
    <message>
        <source>Write words on the picture</source>
        <translation>Worte ins Bild schreiben</translation>
    </message>
    <message>
        <source>Remove the last drawing on this frame</source>
        <translation>Die letzte Zeichnung auf diesem Bild entfernen</translation>
    </message>
    <message>
        <source>Add a fault that I see here…</source>
        <translation>Einen Fehler hinzufügen, den ich hier sehe …</translation>
    </message>
    <message>
        <source>A fault that you see here</source>
        <translation>Ein Fehler, den du hier siehst</translation>
    </message>
    <message>
        <source>Change which fault this is…</source>
        <translation>Ändern, welcher Fehler das ist …</translation>
    </message>
    <message>
        <source>Choose a moment first.</source>
        <translation>Wähl zuerst einen Moment.</translation>
    </message>
    <message>
        <source>What it is instead</source>
        <translation>Was es stattdessen ist</translation>
    </message>
    <message>
        <source>This moment begins at this frame</source>
        <translation>Dieser Moment beginnt bei diesem Bild</translation>
    </message>
    <message>
        <source>This moment ends at this frame</source>
        <translation>Dieser Moment endet bei diesem Bild</translation>
    </message>
    <message>
        <source>A breath out begins here</source>
        <translation>Hier beginnt ein Ausatmen</translation>
    </message>
    <message>
        <source>A breath in begins here</source>
        <translation>Hier beginnt ein Einatmen</translation>
    </message>
    <message>
        <source>Remove the nearest breath</source>
        <translation>Den nächstgelegenen Atemzug entfernen</translation>
    </message>
    <message>
        <source>A part of the film begins here</source>
        <translation>Hier beginnt ein Teil des Films</translation>
    </message>
    <message>
        <source>A part begins at %1 s of the film. Go to its end and press Shift+O.</source>
        <translation>Ein Teil beginnt bei %1 s des Films. Geh zu seinem Ende und drück Umschalt+O.</translation>
    </message>
    <message>
        <source>The part ends here: make a clip of it</source>
        <translation>Der Teil endet hier: einen Clip daraus machen</translation>
    </message>
    <message>
        <source>This frame is the client&apos;s neutral</source>
        <translation>Dieses Bild ist das Neutral dieser Person</translation>
    </message>
    <message>
        <source>Neutral midway between full arch and full flat</source>
        <translation>Neutral in der Mitte zwischen ganz hohl und ganz flach</translation>
    </message>
    <message>
        <source>Neutral of another clip of this client…</source>
        <translation>Neutral eines anderen Clips dieser Person …</translation>
    </message>
    <message>
        <source>Neutral from the set-up again</source>
        <translation>Neutral wieder aus dem Aufbau</translation>
    </message>
    <message>
        <source>Go to where the part begins and press Shift+I; then to its end and Shift+O.</source>
        <translation>Geh dorthin, wo der Teil beginnt, und drück Umschalt+I; dann zu seinem Ende und Umschalt+O.</translation>
    </message>
    <message>
        <source>Measure the clip first.</source>
        <translation>Miss zuerst den Clip.</translation>
    </message>
    <message>
        <source>No other clip of this client has a neutral yet. Where full arch and full flat are shown, press Ctrl+N there.</source>
        <translation>Noch hat kein anderer Clip dieser Person ein Neutral. Wo ganz hohl und ganz flach gezeigt werden, drück dort Strg+N.</translation>
    </message>
    <message>
        <source>Neutral of which clip</source>
        <translation>Neutral welches Clips</translation>
    </message>
    <message>
        <source>%1, %2: %3 ± %4</source>
        <translation>%1, %2: %3 ± %4</translation>
    </message>
    <message>
        <source>, own range %1</source>
        <translation>, eigener Weg %1</translation>
    </message>
    <message>
        <source>Choose a moment of the movement first.</source>
        <translation>Wähl zuerst einen Moment der Bewegung.</translation>
    </message>
    <message>
        <source>Next exercise</source>
        <translation>Nächste Übung</translation>
    </message>
    <message>
        <source>Previous exercise</source>
        <translation>Vorige Übung</translation>
    </message>
    <message>
        <source>Later review</source>
        <translation>Spätere Rückmeldung</translation>
    </message>
    <message>
        <source>Earlier review</source>
        <translation>Frühere Rückmeldung</translation>
    </message>
    <message>
        <source>Open the review on the bench</source>
        <translation>Die Rückmeldung auf der Werkbank öffnen</translation>
    </message>
    <message>
        <source>Open its mail in the mail program</source>
        <translation>Ihre Mail im Mailprogramm öffnen</translation>
    </message>
    <message>
        <source>Mark its mail as sent or not sent</source>
        <translation>Ihre Mail als gesendet oder nicht gesendet vermerken</translation>
    </message>
    <message>
        <source>Next client</source>
        <translation>Nächste Person</translation>
    </message>
    <message>
        <source>Previous client</source>
        <translation>Vorige Person</translation>
    </message>
    <message>
        <source>Edit wishes, flags and consent</source>
        <translation>Wünsche, Hinweise und Einwilligung bearbeiten</translation>
    </message>
    <message>
        <source>Export a report of this exercise…</source>
        <translation>Bericht zu dieser Übung ausgeben …</translation>
    </message>
    <message>
        <source>Export the review as a bundle…</source>
        <translation>Die Rückmeldung als Bündel ausgeben …</translation>
    </message>
    <message>
        <source>Sheet of this exercise for the client…</source>
        <translation>Blatt dieser Übung für die Person …</translation>
    </message>
    <message>
        <source>How to film, as a page for the client…</source>
        <translation>Wie gefilmt wird, als Seite für die Person …</translation>
    </message>
    <message>
        <source>Erase videos, or everything, of this client…</source>
        <translation>Videos oder alles von dieser Person löschen …</translation>
    </message>
    <message>
        <source>Back from the client</source>
        <translation>Zurück vom Raum „Person“</translation>
    </message>
    <message>
        <source>Choose a client with an exercise first.</source>
        <translation>Wähl zuerst eine Person mit einer Übung.</translation>
    </message>
    <message>
        <source>Not exported: %1.</source>
        <translation>Nicht ausgegeben: %1.</translation>
    </message>
    <message>
        <source>How to film, as a file</source>
        <translation>Wie gefilmt wird, als Datei</translation>
    </message>
    <message>
        <source>PDF (*.pdf);;Page (*.html);;Text (*.txt);;Mail (*.eml)</source>
        <translation>PDF (*.pdf);;Seite (*.html);;Text (*.txt);;Mail (*.eml)</translation>
    </message>
    <message>
        <source>No mail has been made for this review.</source>
        <translation>Für diese Rückmeldung ist keine Mail gemacht.</translation>
    </message>
    <message>
        <source>Not marked: %1.</source>
        <translation>Nicht vermerkt: %1.</translation>
    </message>
    <message>
        <source>Marked as sent.</source>
        <translation>Als gesendet vermerkt.</translation>
    </message>
    <message>
        <source>Marked as not sent.</source>
        <translation>Als nicht gesendet vermerkt.</translation>
    </message>
    <message>
        <source>No review of this exercise has been filed yet.</source>
        <translation>Zu dieser Übung ist noch keine Rückmeldung abgelegt.</translation>
    </message>
    <message>
        <source>The report as a file</source>
        <translation>Der Bericht als Datei</translation>
    </message>
    <message>
        <source>PDF (*.pdf);;SVG (*.svg);;PNG (*.png)</source>
        <translation>PDF (*.pdf);;SVG (*.svg);;PNG (*.png)</translation>
    </message>
    <message>
        <source>The review as a bundle</source>
        <translation>Die Rückmeldung als Bündel</translation>
    </message>
    <message>
        <source>Bundle (*.zip)</source>
        <translation>Bündel (*.zip)</translation>
    </message>
    <message>
        <source>Not exported: there is no consent of %1 on record to passing a bundle on, or its day is over. E writes one down.</source>
        <translation>Nicht ausgegeben: Von %1 liegt keine Einwilligung zum Weitergeben eines Bündels vor, oder ihr Tag ist vorbei. E schreibt eine auf.</translation>
    </message>
    <message>
        <source>This clip is no longer in the library.</source>
        <translation>Dieser Clip ist nicht mehr in der Bibliothek.</translation>
    </message>
    <message>
        <source>Not erased: %1. Ask for it again.</source>
        <translation>Nicht gelöscht: %1. Versuch es noch einmal.</translation>
    </message>
    <message>
        <source> Traces may still stand in the database&apos;s file (%1); the next start removes them.</source>
        <translation> Spuren können noch in der Datenbankdatei stehen (%1); der nächste Start entfernt sie.</translation>
    </message>
    <message>
        <source>Everything of %1 has been erased.</source>
        <translation>Alles von %1 ist gelöscht.</translation>
    </message>
    <message>
        <source>The videos of %1 have been erased; the numbers are kept.</source>
        <translation>Die Videos von %1 sind gelöscht; die Zahlen bleiben.</translation>
    </message>
    <message>
        <source>Deft Mirror</source>
        <translation>Deft Mirror</translation>
    </message>
    <message>
        <source>Choose a clip in the queue first.</source>
        <translation>Wähl zuerst einen Clip in der Liste.</translation>
    </message>
    <message>
        <source>Not opened: %1. Its review so far is kept.</source>
        <translation>Nicht geöffnet: %1. Die Rückmeldung bis hierher bleibt.</translation>
    </message>
    <message>
        <source>Where is %1 now?</source>
        <translation>Wo ist %1 jetzt?</translation>
    </message>
    <message>
        <source>Not opened: the film has gone. Its review so far is kept.</source>
        <translation>Nicht geöffnet: Der Film ist weg. Die Rückmeldung bis hierher bleibt.</translation>
    </message>
    <message>
        <source>Undo: %1</source>
        <translation>Rückgängig: %1</translation>
    </message>
    <message>
        <source>What the program knows about every exercise, and where each number comes from</source>
        <translation>Was das Programm über jede Übung weiß und woher jede Zahl kommt</translation>
    </message>
    <message>
        <source>Practice: how exactly do you place marks?</source>
        <translation>Üben: Wie genau setzt du Marken?</translation>
    </message>
    <message>
        <source>%1 waiting for an answer</source>
        <translation>%1 warten auf Antwort</translation>
    </message>
    <message>
        <source>clip</source>
        <translation>Clip</translation>
    </message>
    <message>
        <source>clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>No clip has come yet</source>
        <translation>Noch ist kein Clip gekommen</translation>
    </message>
    <message>
        <source>Everything has been answered</source>
        <translation>Alles ist beantwortet</translation>
    </message>
    <message>
        <source>↑ ↓</source>
        <translation>↑ ↓</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>open</source>
        <translation>öffnen</translation>
    </message>
    <message>
        <source>Ctrl+O</source>
        <translation>Strg+O</translation>
    </message>
    <message>
        <source>add a clip</source>
        <translation>Clip hinzufügen</translation>
    </message>
    <message>
        <source>find</source>
        <translation>finden</translation>
    </message>
    <message>
        <source>stop its measuring</source>
        <translation>sein Messen anhalten</translation>
    </message>
    <message>
        <source>try again</source>
        <translation>noch einmal versuchen</translation>
    </message>
    <message>
        <source>all keys</source>
        <translation>alle Tasten</translation>
    </message>
    <message>
        <source>confirm all proposed</source>
        <translation>alle bestätigen</translation>
    </message>
    <message>
        <source>go to the proposed</source>
        <translation>zu den vorgeschlagenen</translation>
    </message>
    <message>
        <source>not visible</source>
        <translation>nicht sichtbar</translation>
    </message>
    <message>
        <source>Ctrl ← →</source>
        <translation>Strg ← →</translation>
    </message>
    <message>
        <source>cursor</source>
        <translation>Zeiger</translation>
    </message>
    <message>
        <source>place there</source>
        <translation>dort setzen</translation>
    </message>
    <message>
        <source>whole picture</source>
        <translation>ganzes Bild</translation>
    </message>
    <message>
        <source>picture alone</source>
        <translation>Bild allein</translation>
    </message>
    <message>
        <source>measure</source>
        <translation>messen</translation>
    </message>
    <message>
        <source>choose a mark</source>
        <translation>eine Marke wählen</translation>
    </message>
    <message>
        <source>half a pixel</source>
        <translation>ein halbes Pixel</translation>
    </message>
    <message>
        <source>onto the sticker</source>
        <translation>auf den Aufkleber</translation>
    </message>
    <message>
        <source>Del</source>
        <translation>Entf</translation>
    </message>
    <message>
        <source>not visible from here</source>
        <translation>ab hier nicht sichtbar</translation>
    </message>
    <message>
        <source>next weak place</source>
        <translation>nächste schwache Stelle</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>back to the reps</source>
        <translation>zurück zu den Wdh.</translation>
    </message>
    <message>
        <source>next moment</source>
        <translation>nächster Moment</translation>
    </message>
    <message>
        <source>agree, reject</source>
        <translation>zustimmen, ablehnen</translation>
    </message>
    <message>
        <source>frame</source>
        <translation>Einzelbild</translation>
    </message>
    <message>
        <source>rep</source>
        <translation>Wdh.</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Leertaste</translation>
    </message>
    <message>
        <source>play</source>
        <translation>abspielen</translation>
    </message>
    <message>
        <source>edit landmark</source>
        <translation>Punkt bearbeiten</translation>
    </message>
    <message>
        <source>best over</source>
        <translation>bestes darüber</translation>
    </message>
    <message>
        <source>time plots</source>
        <translation>Zeitkurven</translation>
    </message>
    <message>
        <source>to the answer</source>
        <translation>zur Antwort</translation>
    </message>
    <message>
        <source>times, reps, sides, weeks</source>
        <translation>Male, Wdh., Seiten, Wochen</translation>
    </message>
    <message>
        <source>place in the movement</source>
        <translation>Stelle in der Bewegung</translation>
    </message>
    <message>
        <source>bench</source>
        <translation>Werkbank</translation>
    </message>
    <message>
        <source>exercise</source>
        <translation>Übung</translation>
    </message>
    <message>
        <source>← →</source>
        <translation>← →</translation>
    </message>
    <message>
        <source>review</source>
        <translation>Rückmeldung</translation>
    </message>
    <message>
        <source>open it</source>
        <translation>öffnen</translation>
    </message>
    <message>
        <source>Ctrl+Page</source>
        <translation>Strg+Bild</translation>
    </message>
    <message>
        <source>client</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>edit</source>
        <translation>bearbeiten</translation>
    </message>
    <message>
        <source>report</source>
        <translation>Bericht</translation>
    </message>
    <message>
        <source>bundle</source>
        <translation>Bündel</translation>
    </message>
    <message>
        <source>exercise sheet</source>
        <translation>Übungsblatt</translation>
    </message>
    <message>
        <source>back</source>
        <translation>zurück</translation>
    </message>
    <message>
        <source>Alt ↑ ↓</source>
        <translation>Alt ↑ ↓</translation>
    </message>
    <message>
        <source>order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>dose</source>
        <translation>Dosis</translation>
    </message>
    <message>
        <source>version</source>
        <translation>Version</translation>
    </message>
    <message>
        <source>another</source>
        <translation>eine andere</translation>
    </message>
    <message>
        <source>propose again</source>
        <translation>neu vorschlagen</translation>
    </message>
    <message>
        <source>the page</source>
        <translation>die Seite</translation>
    </message>
    <message>
        <source>note from home</source>
        <translation>Notiz von zu Hause</translation>
    </message>
    <message>
        <source>my own file</source>
        <translation>meine eigene Datei</translation>
    </message>
    <message>
        <source>a sheet for a client</source>
        <translation>Blatt für die Person</translation>
    </message>
    <message>
        <source>Ctrl+S</source>
        <translation>Strg+S</translation>
    </message>
    <message>
        <source>save</source>
        <translation>speichern</translation>
    </message>
    <message>
        <source>begin, or use it</source>
        <translation>anfangen oder verwenden</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Rücktaste</translation>
    </message>
    <message>
        <source>remove the last mark</source>
        <translation>letzte Marke entfernen</translation>
    </message>
    <message>
        <source>pictures, afterwards</source>
        <translation>Bilder, danach</translation>
    </message>
    <message>
        <source>another round</source>
        <translation>noch eine Runde</translation>
    </message>
    <message>
        <source>part</source>
        <translation>Teil</translation>
    </message>
    <message>
        <source>include or leave out</source>
        <translation>aufnehmen oder weglassen</translation>
    </message>
    <message>
        <source>edit text</source>
        <translation>Text bearbeiten</translation>
    </message>
    <message>
        <source>choose a picture</source>
        <translation>ein Bild wählen</translation>
    </message>
    <message>
        <source>Ctrl+Enter</source>
        <translation>Strg+Eingabe</translation>
    </message>
    <message>
        <source>file and send</source>
        <translation>ablegen und senden</translation>
    </message>
    <message>
        <source>The last mail is being finished …</source>
        <translation>Die letzte Mail wird fertig gemacht …</translation>
    </message>
    <message>
        <source>Choose a client first; a programme is for one.</source>
        <translation>Wähl zuerst eine Person; ein Übungsplan ist für eine.</translation>
    </message>
    <message>
        <source>%1 is what was measured of a clip, to be read by other programs; open its clip instead.</source>
        <translation>%1 ist, was an einem Clip gemessen wurde, für andere Programme zu lesen; öffne stattdessen seinen Clip.</translation>
    </message>
    <message>
        <source>%1 is neither a film nor a file that this window can open.</source>
        <translation>%1 ist weder ein Film noch eine Datei, die dieses Fenster öffnen kann.</translation>
    </message>
    <message>
        <source>Marks not read: %1. The marks of this review are as they were.</source>
        <translation>Marken nicht gelesen: %1. Die Marken dieser Rückmeldung sind, wie sie waren.</translation>
    </message>
    <message>
        <source>These marks were proposed by the program. Look at each before you answer.</source>
        <translation>Diese Marken hat das Programm vorgeschlagen. Sieh dir jede an, bevor du antwortest.</translation>
    </message>
    <message>
        <source>marks from a file</source>
        <translation>Marken aus einer Datei</translation>
    </message>
    <message>
        <source>Not opened: %1.</source>
        <translation>Nicht geöffnet: %1.</translation>
    </message>
    <message>
        <source>From %1, not saved yet.</source>
        <translation>Von %1, noch nicht gespeichert.</translation>
    </message>
    <message>
        <source>Not taken in: %1.</source>
        <translation>Nicht aufgenommen: %1.</translation>
    </message>
    <message>
        <source>Add an exercise…</source>
        <translation>Übung hinzufügen …</translation>
    </message>
    <message>
        <source>Earlier in the order</source>
        <translation>Früher in der Reihenfolge</translation>
    </message>
    <message>
        <source>Later in the order</source>
        <translation>Später in der Reihenfolge</translation>
    </message>
    <message>
        <source>Leave it out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Another one instead…</source>
        <translation>Eine andere stattdessen …</translation>
    </message>
    <message>
        <source>A harder version</source>
        <translation>Eine schwerere Version</translation>
    </message>
    <message>
        <source>An easier version</source>
        <translation>Eine leichtere Version</translation>
    </message>
    <message>
        <source>Edit the dose</source>
        <translation>Die Dosis bearbeiten</translation>
    </message>
    <message>
        <source>Side by side with another one</source>
        <translation>Neben einen anderen legen</translation>
    </message>
    <message>
        <source>Propose again</source>
        <translation>Neu vorschlagen</translation>
    </message>
    <message>
        <source>Page as the client sees it</source>
        <translation>Die Seite, wie die Person sie sieht</translation>
    </message>
    <message>
        <source>Export the programme…</source>
        <translation>Den Übungsplan ausgeben …</translation>
    </message>
    <message>
        <source>Import a programme…</source>
        <translation>Einen Übungsplan einlesen …</translation>
    </message>
    <message>
        <source>Begin from a template…</source>
        <translation>Mit einer Vorlage anfangen …</translation>
    </message>
    <message>
        <source>Keep as a template…</source>
        <translation>Als Vorlage behalten …</translation>
    </message>
    <message>
        <source>Remove a template…</source>
        <translation>Eine Vorlage entfernen …</translation>
    </message>
    <message>
        <source>Look at this one again when the weeks are over, or not</source>
        <translation>Diese nach den Wochen noch einmal ansehen, oder nicht</translation>
    </message>
    <message>
        <source>Take in a practice note (copied text, or a file)…</source>
        <translation>Eine Übungsnotiz aufnehmen (kopierter Text oder eine Datei) …</translation>
    </message>
    <message>
        <source>Then and now: a report…</source>
        <translation>Damals und heute: ein Bericht …</translation>
    </message>
    <message>
        <source>Give it to the client</source>
        <translation>Der Person geben</translation>
    </message>
    <message>
        <source>Open the newest mail in the mail program</source>
        <translation>Die neueste Mail im Mailprogramm öffnen</translation>
    </message>
    <message>
        <source>Back from the programme</source>
        <translation>Zurück vom Übungsplan</translation>
    </message>
    <message>
        <source>Something is still being written; try again in a moment.</source>
        <translation>Noch wird etwas geschrieben; versuch es gleich noch einmal.</translation>
    </message>
    <message>
        <source>Not given: %1.</source>
        <translation>Nicht gegeben: %1.</translation>
    </message>
    <message>
        <source>Given. Its mail is being made …</source>
        <translation>Gegeben. Die Mail wird gemacht …</translation>
    </message>
    <message>
        <source>Given to %1. The mail lies in %2; Shift+M opens it.</source>
        <translation>An %1 gegeben. Die Mail liegt in %2; Umschalt+M öffnet sie.</translation>
    </message>
    <message>
        <source>Given, but its mail could not be made: %1.</source>
        <translation>Gegeben, aber die Mail ließ sich nicht machen: %1.</translation>
    </message>
    <message>
        <source> The programme would follow: Alt+6 shows it.</source>
        <translation> Der Übungsplan würde folgen: Alt+6 zeigt ihn.</translation>
    </message>
    <message>
        <source>Not shown: %1.</source>
        <translation>Nicht gezeigt: %1.</translation>
    </message>
    <message>
        <source>The page lies in %1.</source>
        <translation>Die Seite liegt in %1.</translation>
    </message>
    <message>
        <source>The programme as a file</source>
        <translation>Der Übungsplan als Datei</translation>
    </message>
    <message>
        <source>Practice page (*.html);;Printed sheet (*.pdf);;Calendar (*.ics);;Programme (*.programme.json *.json)</source>
        <translation>Übungsseite (*.html);;Gedrucktes Blatt (*.pdf);;Kalender (*.ics);;Übungsplan (*.programme.json *.json)</translation>
    </message>
    <message>
        <source>There is no exercise in it.</source>
        <translation>Es ist keine Übung darin.</translation>
    </message>
    <message>
        <source>Then and now, as a file</source>
        <translation>Damals und heute, als Datei</translation>
    </message>
    <message>
        <source>PDF (*.pdf);;Page (*.html)</source>
        <translation>PDF (*.pdf);;Seite (*.html)</translation>
    </message>
    <message>
        <source>Nothing has been filed twice in the same version yet.</source>
        <translation>Noch ist nichts zweimal in derselben Version abgelegt.</translation>
    </message>
    <message>
        <source>A programme</source>
        <translation>Ein Übungsplan</translation>
    </message>
    <message>
        <source>Programme (*.programme.json *.json)</source>
        <translation>Übungsplan (*.programme.json *.json)</translation>
    </message>
    <message>
        <source>Not imported: %1.</source>
        <translation>Nicht eingelesen: %1.</translation>
    </message>
    <message>
        <source>imported</source>
        <translation>eingelesen</translation>
    </message>
    <message>
        <source>Keep as a template</source>
        <translation>Als Vorlage behalten</translation>
    </message>
    <message>
        <source>Name of the template</source>
        <translation>Name der Vorlage</translation>
    </message>
    <message>
        <source>No template has been kept yet</source>
        <translation>Noch ist keine Vorlage behalten</translation>
    </message>
    <message>
        <source>A practice note</source>
        <translation>Eine Übungsnotiz</translation>
    </message>
    <message>
        <source>Note (*.json *.txt *.eml)</source>
        <translation>Notiz (*.json *.txt *.eml)</translation>
    </message>
    <message>
        <source>%1 reports pain on %2: %3. Answer that first.</source>
        <translation>%1 meldet am %2 Schmerz: %3. Beantworte das zuerst.</translation>
    </message>
    <message>
        <source>Taken in: %1 of practice of %2.</source>
        <translation>Aufgenommen: %1 Üben von %2.</translation>
    </message>
    <message>
        <source>day</source>
        <translation>Tag</translation>
    </message>
    <message>
        <source>days</source>
        <translation>Tage</translation>
    </message>
    <message>
        <source>practice told</source>
        <translation>Üben gemeldet</translation>
    </message>
    <message>
        <source>Not kept: %1.</source>
        <translation>Nicht behalten: %1.</translation>
    </message>
    <message>
        <source>Ready for the one letter to %1; %2 of this visit still to be looked at.</source>
        <translation>Bereit für den einen Brief an %1; %2 dieses Besuchs noch anzusehen.</translation>
    </message>
    <message>
        <source>Not filed: %1. The draft is kept.</source>
        <translation>Nicht abgelegt: %1. Der Entwurf bleibt.</translation>
    </message>
    <message>
        <source>The answer to %1 goes out in a minute; U in the queue takes it back.</source>
        <translation>Die Antwort an %1 geht in einer Minute hinaus; U in der Liste holt sie zurück.</translation>
    </message>
    <message>
        <source>Filing the answer to %1 …</source>
        <translation>Die Antwort an %1 wird abgelegt …</translation>
    </message>
    <message>
        <source>Filed. The mail to %1 is being made; it will lie in the library&apos;s folder outbox.%2</source>
        <translation>Abgelegt. Die Mail an %1 wird gemacht; sie wird im Ordner outbox der Bibliothek liegen.%2</translation>
    </message>
    <message>
        <source>The mail is ready, with the reply clip: %1</source>
        <translation>Die Mail ist fertig, mit dem Antwortclip: %1</translation>
    </message>
    <message>
        <source>The mail is ready: %1</source>
        <translation>Die Mail ist fertig: %1</translation>
    </message>
    <message>
        <source>The mail is ready, %1. It is in %2</source>
        <translation>Die Mail ist fertig, %1. Sie liegt in %2</translation>
    </message>
    <message>
        <source>Not changed: %1.</source>
        <translation>Nicht geändert: %1.</translation>
    </message>
    <message>
        <source>The review is filed and its page kept, but there is no mail: %1. In the queue it can be tried again.</source>
        <translation>Die Rückmeldung ist abgelegt und ihre Seite bleibt, aber es gibt keine Mail: %1. In der Liste lässt es sich noch einmal versuchen.</translation>
    </message>
    <message>
        <source>Nothing is being sent that could be taken back.</source>
        <translation>Nichts wird gesendet, was sich zurückholen ließe.</translation>
    </message>
    <message>
        <source>Taken back: nothing has been filed, and the draft is as it was.</source>
        <translation>Zurückgeholt: Nichts ist abgelegt, und der Entwurf ist, wie er war.</translation>
    </message>
    <message>
        <source>No mail has been made yet.</source>
        <translation>Noch ist keine Mail gemacht.</translation>
    </message>
    <message>
        <source>The mail %1 has gone; the page of the answer is kept.</source>
        <translation>Die Mail %1 ist weg; die Seite der Antwort bleibt.</translation>
    </message>
    <message>
        <source>The mail is open in your mail program. When it has gone, M in the client room marks it as sent.</source>
        <translation>Die Mail ist in deinem Mailprogramm offen. Wenn sie hinaus ist, vermerkt M im Raum „Person“ sie als gesendet.</translation>
    </message>
    <message>
        <source>No mail program opens it. The mail is %1.</source>
        <translation>Kein Mailprogramm öffnet sie. Die Mail ist %1.</translation>
    </message>
    <message>
        <source>Not discarded: %1.</source>
        <translation>Nicht verworfen: %1.</translation>
    </message>
    <message>
        <source>No mail is waiting to be made.</source>
        <translation>Keine Mail wartet darauf, gemacht zu werden.</translation>
    </message>
    <message>
        <source>%1 discarded; the pages are kept.</source>
        <translation>%1 verworfen; die Seiten bleiben.</translation>
    </message>
    <message>
        <source>mail</source>
        <translation>Mail</translation>
    </message>
    <message>
        <source>mails</source>
        <translation>Mails</translation>
    </message>
    <message>
        <source>No reminder: %1.</source>
        <translation>Keine Erinnerung: %1.</translation>
    </message>
    <message>
        <source>The reminder is ready: %1</source>
        <translation>Die Erinnerung ist fertig: %1</translation>
    </message>
    <message>
        <source>There is no answer yet; measure the clip first.</source>
        <translation>Noch gibt es keine Antwort; miss zuerst den Clip.</translation>
    </message>
    <message>
        <source>The answer as a file</source>
        <translation>Die Antwort als Datei</translation>
    </message>
    <message>
        <source>PDF (*.pdf);;Page (*.html);;Text (*.txt);;Mail (*.eml);;Reply clip (*.mp4);;Next date (*.ics)</source>
        <translation>PDF (*.pdf);;Seite (*.html);;Text (*.txt);;Mail (*.eml);;Antwortclip (*.mp4);;Nächster Termin (*.ics)</translation>
    </message>
    <message>
        <source>This picture as a file</source>
        <translation>Dieses Bild als Datei</translation>
    </message>
    <message>
        <source>PNG (*.png);;SVG (*.svg);;PDF (*.pdf)</source>
        <translation>PNG (*.png);;SVG (*.svg);;PDF (*.pdf)</translation>
    </message>
    <message>
        <source>The rep sheet and its plots as a file</source>
        <translation>Das Wiederholungsblatt und seine Kurven als Datei</translation>
    </message>
    <message>
        <source>The picture is still being decoded; try again.</source>
        <translation>Das Bild wird noch entschlüsselt; versuch es noch einmal.</translation>
    </message>
    <message>
        <source>The exercise as a sheet for a client</source>
        <translation>Die Übung als Blatt für die Person</translation>
    </message>
    <message>
        <source>Exporting %1 …</source>
        <translation>%1 wird ausgegeben …</translation>
    </message>
    <message>
        <source>Exported to %1.</source>
        <translation>Nach %1 ausgegeben.</translation>
    </message>
    <message>
        <source>A clip with pain has come in</source>
        <translation>Ein Clip mit Schmerz ist gekommen</translation>
    </message>
    <message>
        <source>It stands first in the queue.</source>
        <translation>Er steht zuerst in der Liste.</translation>
    </message>
    <message>
        <source>being looked at, %1 %</source>
        <translation>wird angesehen, %1 %</translation>
    </message>
    <message>
        <source>not looked at: %1</source>
        <translation>nicht angesehen: %1</translation>
    </message>
    <message>
        <source>being measured, %1 %</source>
        <translation>wird gemessen, %1 %</translation>
    </message>
    <message>
        <source>not measured: %1</source>
        <translation>nicht gemessen: %1</translation>
    </message>
    <message>
        <source>A clip of &lt;b&gt;%1&lt;/b&gt; has come. Is it </source>
        <translation>Ein Clip von &lt;b&gt;%1&lt;/b&gt; ist gekommen. Ist es </translation>
    </message>
    <message>
        <source>&lt;a href=&quot;is %1 %2&quot;&gt;%3&lt;/a&gt; whom you know, or </source>
        <translation>&lt;a href=&quot;is %1 %2&quot;&gt;%3&lt;/a&gt;, die du kennst, oder </translation>
    </message>
    <message>
        <source>&lt;a href=&quot;is 0 %1&quot;&gt;somebody else&lt;/a&gt;?</source>
        <translation>&lt;a href=&quot;is 0 %1&quot;&gt;jemand anderes&lt;/a&gt;?</translation>
    </message>
    <message>
        <source>%1 came without a note. &lt;a href=&quot;%2&quot;&gt;Choose the client&lt;/a&gt;</source>
        <translation>%1 kam ohne Begleitzettel. &lt;a href=&quot;%2&quot;&gt;Person wählen&lt;/a&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;Damaged in the library.&lt;/b&gt; Nothing was changed; a backup can be put back: deft-mirror library restore</source>
        <translation>&lt;b&gt;In der Bibliothek beschädigt.&lt;/b&gt; Nichts wurde geändert; eine Sicherung lässt sich zurückspielen: deft-mirror library restore</translation>
    </message>
    <message>
        <source>&lt;b&gt;Your own exercise files that cannot be used.&lt;/b&gt; The exercises room mends them.</source>
        <translation>&lt;b&gt;Eigene Übungsdateien, die sich nicht verwenden lassen.&lt;/b&gt; Im Raum Übungen lassen sie sich richten.</translation>
    </message>
    <message>
        <source>&lt;b&gt;Whose clip is it?&lt;/b&gt;</source>
        <translation>&lt;b&gt;Von wem ist dieser Clip?&lt;/b&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;In the inbox, not taken in.&lt;/b&gt; Nothing was changed there. &lt;a href=&quot;retry&quot;&gt;Try again&lt;/a&gt;</source>
        <translation>&lt;b&gt;Im Eingang, nicht aufgenommen.&lt;/b&gt; Dort wurde nichts geändert. &lt;a href=&quot;retry&quot;&gt;Noch einmal versuchen&lt;/a&gt;</translation>
    </message>
    <message>
        <source>&lt;b&gt;Failed emails.&lt;/b&gt; The pages of these answers are kept. &lt;a href=&quot;mails&quot;&gt;Try again&lt;/a&gt; &amp;nbsp; &lt;a href=&quot;no-mails&quot;&gt;Discard&lt;/a&gt;</source>
        <translation>&lt;b&gt;Fehlgeschlagene Mails.&lt;/b&gt; Die Seiten dieser Antworten bleiben. &lt;a href=&quot;mails&quot;&gt;Noch einmal versuchen&lt;/a&gt; &amp;nbsp; &lt;a href=&quot;no-mails&quot;&gt;Verwerfen&lt;/a&gt;</translation>
    </message>
    <message>
        <source>Delete once more removes this clip of %1 with its marks; the record of %1 stays.</source>
        <translation>Noch einmal Entf entfernt diesen Clip von %1 mit seinen Marken; der Eintrag von %1 bleibt.</translation>
    </message>
    <message>
        <source>The clip of %1 has been removed.</source>
        <translation>Der Clip von %1 ist entfernt.</translation>
    </message>
    <message>
        <source>Not removed: %1.</source>
        <translation>Nicht entfernt: %1.</translation>
    </message>
    <message>
        <source>Simulated phone: send the next clip</source>
        <translation>Simuliertes Handy: den nächsten Clip senden</translation>
    </message>
    <message>
        <source>These clips wait, the most urgent first. Choose one with the arrows and open it with Enter.</source>
        <translation>Diese Clips warten, der dringendste zuerst. Wähl einen mit den Pfeilen und öffne ihn mit der Eingabetaste.</translation>
    </message>
    <message>
        <source>J goes to the next moment; A agrees with it, D does not. Enter takes you to the answer.</source>
        <translation>J geht zum nächsten Moment; A stimmt zu, D lehnt ab. Eingabe führt zur Antwort.</translation>
    </message>
    <message>
        <source>C takes the proposed marks; drag one that is off. Enter measures when the marks are set.</source>
        <translation>C nimmt die vorgeschlagenen Marken; zieh eine, die danebenliegt. Eingabe misst, wenn die Marken sitzen.</translation>
    </message>
    <message>
        <source>The clip is being measured. You can look at it meanwhile: arrows step, Space plays.</source>
        <translation>Der Clip wird gemessen. Du kannst ihn inzwischen ansehen: Pfeile gehen weiter, die Leertaste spielt ab.</translation>
    </message>
    <message>
        <source>Drag the dot along the movement: both pictures follow. The table says which differences are real.</source>
        <translation>Zieh den Punkt an der Bewegung entlang: Beide Bilder folgen. Die Tabelle sagt, welche Unterschiede wirklich sind.</translation>
    </message>
    <message>
        <source>This goes to the client. E edits words, Space leaves a part out, Ctrl+Enter files and makes the mail.</source>
        <translation>Das geht an die Person. E bearbeitet Worte, die Leertaste lässt einen Teil weg, Strg+Eingabe legt ab und macht die Mail.</translation>
    </message>
    <message>
        <source>What the answered clips tell together. Arrows choose exercise and review; E writes down consent.</source>
        <translation>Was die beantworteten Clips zusammen sagen. Pfeile wählen Übung und Rückmeldung; E schreibt eine Einwilligung auf.</translation>
    </message>
    <message>
        <source>What the client practises for some weeks, proposed from the reviews. Ctrl+Enter gives it; N takes in what comes home.</source>
        <translation>Was die Person einige Wochen lang übt, vorgeschlagen aus den Rückmeldungen. Strg+Eingabe gibt es; N nimmt auf, was von zu Hause kommt.</translation>
    </message>
    <message>
        <source>Click the points that are asked for, as you would on a client&apos;s clip. Enter begins.</source>
        <translation>Klick auf die Punkte, nach denen gefragt wird, wie auf einem Clip. Eingabe fängt an.</translation>
    </message>
    <message>
        <source>What is measured in each exercise, and where each number comes from. E makes your own version of it.</source>
        <translation>Was in jeder Übung gemessen wird und woher jede Zahl kommt. E macht deine eigene Fassung davon.</translation>
    </message>
    <message>
        <source>Folder into which clients&apos; clips come</source>
        <translation>Ordner, in den Clips hereinkommen</translation>
    </message>
    <message>
        <source>Clips are taken in from %1.</source>
        <translation>Clips werden aus %1 aufgenommen.</translation>
    </message>
    <message>
        <source>Taking over what lies in %1 …</source>
        <translation>Was in %1 liegt, wird übernommen …</translation>
    </message>
    <message>
        <source>%1 copied into the inbox from %2; nothing was taken away there.</source>
        <translation>%1 aus %2 in den Eingang kopiert; dort wurde nichts weggenommen.</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Not taken over: %1.</source>
        <translation>Nicht übernommen: %1.</translation>
    </message>
    <message>
        <source>Open the chosen clip</source>
        <translation>Den gewählten Clip öffnen</translation>
    </message>
    <message>
        <source>Show the clips of this visit</source>
        <translation>Die Clips dieses Besuchs zeigen</translation>
    </message>
    <message>
        <source>Fold them again</source>
        <translation>Sie wieder einklappen</translation>
    </message>
    <message>
        <source>Find clips</source>
        <translation>Clips finden</translation>
    </message>
    <message>
        <source>Show all clips again, or leave what is beside them</source>
        <translation>Wieder alle Clips zeigen, oder verlassen, was daneben ist</translation>
    </message>
    <message>
        <source>Correct what is known of this clip</source>
        <translation>Berichtigen, was über diesen Clip bekannt ist</translation>
    </message>
    <message>
        <source>Remove this clip</source>
        <translation>Diesen Clip entfernen</translation>
    </message>
    <message>
        <source>Corrected.</source>
        <translation>Berichtigt.</translation>
    </message>
    <message>
        <source>Stop the work on this clip</source>
        <translation>Die Arbeit an diesem Clip anhalten</translation>
    </message>
    <message>
        <source>Try again</source>
        <translation>Noch einmal versuchen</translation>
    </message>
    <message>
        <source>Look into the inbox now</source>
        <translation>Jetzt in den Eingang schauen</translation>
    </message>
    <message>
        <source>Open the last mail in the mail program</source>
        <translation>Die letzte Mail im Mailprogramm öffnen</translation>
    </message>
    <message>
        <source>Discard failed emails</source>
        <translation>Fehlgeschlagene Mails verwerfen</translation>
    </message>
    <message>
        <source>Mails made and sent</source>
        <translation>Gemachte und gesendete Mails</translation>
    </message>
    <message>
        <source>Open the chosen mail</source>
        <translation>Die gewählte Mail öffnen</translation>
    </message>
    <message>
        <source>The chosen mail was sent, or was not</source>
        <translation>Die gewählte Mail wurde gesendet, oder nicht</translation>
    </message>
    <message>
        <source>Take back the answer that is being sent</source>
        <translation>Die Antwort zurückholen, die gerade gesendet wird</translation>
    </message>
    <message>
        <source>Choose the inbox folder…</source>
        <translation>Den Eingangsordner wählen …</translation>
    </message>
    <message>
        <source>Take over a folder once…</source>
        <translation>Einen Ordner einmal übernehmen …</translation>
    </message>
    <message>
        <source>A folder with clips</source>
        <translation>Ein Ordner mit Clips</translation>
    </message>
    <message>
        <source>Print the rep sheet and plots…</source>
        <translation>Wiederholungsblatt und Kurven drucken …</translation>
    </message>
    <message>
        <source>Copy this picture</source>
        <translation>Dieses Bild kopieren</translation>
    </message>
    <message>
        <source>Copy the readings as a table</source>
        <translation>Messwerte als Tabelle kopieren</translation>
    </message>
    <message>
        <source>Copy the plots as a table</source>
        <translation>Kurven als Tabelle kopieren</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Move the part up</source>
        <translation>Teil nach oben</translation>
    </message>
    <message>
        <source>Move the part down</source>
        <translation>Teil nach unten</translation>
    </message>
    <message>
        <source>Next word that is not spelt right</source>
        <translation>Nächstes falsch geschriebenes Wort</translation>
    </message>
    <message>
        <source>Sentences of your own</source>
        <translation>Eigene Sätze</translation>
    </message>
    <message>
        <source>Print the answer…</source>
        <translation>Antwort drucken …</translation>
    </message>
    <message>
        <source>Confirm the breaths out that were heard</source>
        <translation>Gehörtes Ausatmen bestätigen</translation>
    </message>
    <message>
        <source>No breath was heard in this clip.</source>
        <translation>In diesem Clip war kein Atem zu hören.</translation>
    </message>
    <message>
        <source>Print the report of this exercise…</source>
        <translation>Bericht dieser Übung drucken …</translation>
    </message>
    <message>
        <source>Your own sentences cannot be used: %1. The file is left as it is.</source>
        <translation>Deine eigenen Sätze sind nicht zu benutzen: %1. Die Datei bleibt, wie sie ist.</translation>
    </message>
    <message>
        <source>Print the programme…</source>
        <translation>Programm drucken …</translation>
    </message>
    <message>
        <source>Not copied: %1.</source>
        <translation>Nicht kopiert: %1.</translation>
    </message>
    <message>
        <source>The picture is copied, face made unrecognisable.</source>
        <translation>Das Bild ist kopiert, das Gesicht unkenntlich.</translation>
    </message>
    <message>
        <source>Printing …</source>
        <translation>Wird gedruckt …</translation>
    </message>
    <message>
        <source>Printed on %1.</source>
        <translation>Gedruckt auf %1.</translation>
    </message>
    <message>
        <source>Not printed: %1.</source>
        <translation>Nicht gedruckt: %1.</translation>
    </message>
    <message>
        <source>Dismiss the newest message</source>
        <translation>Neueste Meldung schließen</translation>
    </message>
    <message>
        <source>Pause the work in the background, or go on</source>
        <translation>Arbeit im Hintergrund anhalten oder fortsetzen</translation>
    </message>
    <message>
        <source>Size of text</source>
        <translation>Schriftgröße</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Text and controls at %1 % from the next start on.</source>
        <translation>Schrift und Bedienung ab dem nächsten Start mit %1 %.</translation>
    </message>
    <message>
        <source>Clips that wait are not measured for now.</source>
        <translation>Wartende Clips werden vorerst nicht gemessen.</translation>
    </message>
    <message>
        <source>Clips that wait are measured again.</source>
        <translation>Wartende Clips werden wieder gemessen.</translation>
    </message>
    <message>
        <source>Paused, %1 waiting: go on</source>
        <translation>Angehalten, %1 warten: weiter</translation>
    </message>
    <message>
        <source>Looking, %1 %, %2 waiting: pause</source>
        <translation>Sieht nach, %1 %, %2 warten: anhalten</translation>
    </message>
    <message>
        <source>Measuring, %1 %, %2 waiting: pause</source>
        <translation>Misst, %1 %, %2 warten: anhalten</translation>
    </message>
    <message>
        <source>Looking, %1 %: pause</source>
        <translation>Sieht nach, %1 %: anhalten</translation>
    </message>
    <message>
        <source>Measuring, %1 %: pause</source>
        <translation>Misst, %1 %: anhalten</translation>
    </message>
    <message>
        <source>Picture on a second screen</source>
        <translation>Bild auf einem zweiten Bildschirm</translation>
    </message>
    <message>
        <source>Speak over the reply clip</source>
        <translation>Zum Antwortclip sprechen</translation>
    </message>
    <message>
        <source>There is nothing to speak over: a reply clip shows the first correction, and only with the client&apos;s consent to pictures.</source>
        <translation>Es gibt nichts, wozu du sprechen könntest: Ein Antwortclip zeigt die erste Korrektur, und nur, wenn Bildern zugestimmt ist.</translation>
    </message>
</context>
<context>
    <name>deft::ui::MarkList</name>
    <message>
        <source>Marks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>%1 proposed</source>
        <translation>%1 vorgeschlagen</translation>
    </message>
    <message>
        <source>mark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>marks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>%1 placed</source>
        <translation>%1 gesetzt</translation>
    </message>
    <message>
        <source>none counts yet</source>
        <translation>noch zählt keine</translation>
    </message>
    <message>
        <source>%1 to go</source>
        <translation>noch %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::MarkStrips</name>
    <message>
        <source>How the marks hold</source>
        <translation>Wie die Marken halten</translation>
    </message>
    <message>
        <source>all seen throughout</source>
        <translation>alle durchgehend gesehen</translation>
    </message>
    <message>
        <source>weak place</source>
        <translation>schwache Stelle</translation>
    </message>
    <message>
        <source>weak places</source>
        <translation>schwache Stellen</translation>
    </message>
    <message>
        <source>%1 %2 from %3 to %4 s</source>
        <translation>%1 %2 von %3 bis %4 s</translation>
    </message>
    <message>
        <source>lost</source>
        <translation>verloren</translation>
    </message>
    <message>
        <source>weak</source>
        <translation>schwach</translation>
    </message>
</context>
<context>
    <name>deft::ui::MarkTable</name>
    <message>
        <source>body</source>
        <translation>Körper</translation>
    </message>
    <message>
        <source>layout</source>
        <translation>Anordnung</translation>
    </message>
    <message>
        <source>last time</source>
        <translation>zuletzt</translation>
    </message>
    <message>
        <source>sticker</source>
        <translation>Aufkleber</translation>
    </message>
    <message>
        <source>placed</source>
        <translation>gesetzt</translation>
    </message>
    <message>
        <source>%1, ± %2 px</source>
        <translation>%1, ± %2 px</translation>
    </message>
    <message>
        <source>to place</source>
        <translation>zu setzen</translation>
    </message>
    <message>
        <source>if seen</source>
        <translation>wenn zu sehen</translation>
    </message>
    <message>
        <source>not visible</source>
        <translation>nicht sichtbar</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Sign</source>
        <translation>Zeichen</translation>
    </message>
    <message>
        <source>Landmark</source>
        <translation>Körperpunkt</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Zustand</translation>
    </message>
</context>
<context>
    <name>deft::ui::MatTool</name>
    <message>
        <source>Mat of %1 × %2 cm: press on its four corners (%3 of 4)</source>
        <translation>Matte von %1 × %2 cm: auf ihre vier Ecken drücken (%3 von 4)</translation>
    </message>
    <message>
        <source>size of the mat</source>
        <translation>Größe der Matte</translation>
    </message>
    <message>
        <source>corners of the mat</source>
        <translation>Ecken der Matte</translation>
    </message>
</context>
<context>
    <name>deft::ui::MessageStack</name>
    <message>
        <source>Dismiss this message</source>
        <translation>Diese Meldung schließen</translation>
    </message>
</context>
<context>
    <name>deft::ui::MomentStrip</name>
    <message>
        <source>Moment</source>
        <translation>Moment</translation>
    </message>
    <message>
        <source>Agree</source>
        <translation>Zustimmen</translation>
    </message>
    <message>
        <source>Reject</source>
        <translation>Ablehnen</translation>
    </message>
    <message>
        <source>Confirm all</source>
        <translation>Alle bestätigen</translation>
    </message>
    <message>
        <source>Not visible</source>
        <translation>Nicht sichtbar</translation>
    </message>
    <message>
        <source>Measure</source>
        <translation>Messen</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>in the frame at %1 s</source>
        <translation>im Bild bei %1 s</translation>
    </message>
    <message>
        <source>more than one person is in the picture: look twice</source>
        <translation>mehr als eine Person ist im Bild: zweimal hinsehen</translation>
    </message>
    <message>
        <source>this looks like another exercise: %1</source>
        <translation>das sieht nach einer anderen Übung aus: %1</translation>
    </message>
    <message>
        <source>none counts yet; drag what is off</source>
        <translation>noch zählt keine; zieh, was danebenliegt</translation>
    </message>
    <message>
        <source>Following the marks</source>
        <translation>Die Marken werden verfolgt</translation>
    </message>
    <message>
        <source>about %1 s left</source>
        <translation>noch etwa %1 s</translation>
    </message>
    <message>
        <source>%1 proposed</source>
        <translation>%1 vorgeschlagen</translation>
    </message>
    <message>
        <source>mark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>marks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>Click the %1</source>
        <translation>Klick auf: %1</translation>
    </message>
    <message>
        <source>needed; %1 to go</source>
        <translation>nötig; noch %1</translation>
    </message>
    <message>
        <source>if it can be seen: %1</source>
        <translation>wenn zu sehen: %1</translation>
    </message>
    <message>
        <source>no proposals: the network for it has not been fetched</source>
        <translation>keine Vorschläge: Das Netz dafür ist nicht geholt</translation>
    </message>
    <message>
        <source>looking for the body …</source>
        <translation>der Körper wird gesucht …</translation>
    </message>
    <message>
        <source>All marks are placed</source>
        <translation>Alle Marken sitzen</translation>
    </message>
    <message>
        <source>Editing</source>
        <translation>Bearbeiten</translation>
    </message>
    <message>
        <source>drag a mark, or [ and ] to choose one; M ends</source>
        <translation>zieh eine Marke, oder [ und ] wählen eine; M beendet</translation>
    </message>
    <message>
        <source>camera %1 ± %2 off square to the mat</source>
        <translation>Kamera %1 ± %2 schräg zur Matte</translation>
    </message>
    <message>
        <source>%1, ± %2 px   drag, or Ctrl+arrows; Del: not visible from here</source>
        <translation>%1, ± %2 px   ziehen, oder Strg+Pfeile; Entf: ab hier nicht sichtbar</translation>
    </message>
    <message>
        <source>Filed and sent</source>
        <translation>Abgelegt und gesendet</translation>
    </message>
    <message>
        <source>Cannot tell from this clip</source>
        <translation>Aus diesem Clip nicht zu sagen</translation>
    </message>
    <message>
        <source>marks were lost on the way: edit them (M) or ask for it again</source>
        <translation>Marken gingen unterwegs verloren: bearbeite sie (M) oder bitte noch einmal um den Clip</translation>
    </message>
    <message>
        <source>Nothing out of tolerance was found</source>
        <translation>Nichts außerhalb der Toleranz gefunden</translation>
    </message>
    <message>
        <source>%1 to look at</source>
        <translation>%1 anzusehen</translation>
    </message>
    <message>
        <source>moment</source>
        <translation>Moment</translation>
    </message>
    <message>
        <source>moments</source>
        <translation>Momente</translation>
    </message>
    <message>
        <source>Moment %1 of %2</source>
        <translation>Moment %1 von %2</translation>
    </message>
    <message>
        <source>set-up</source>
        <translation>Aufbau</translation>
    </message>
    <message>
        <source>rep %1</source>
        <translation>Wdh. %1</translation>
    </message>
    <message>
        <source>, clear</source>
        <translation>, eindeutig</translation>
    </message>
    <message>
        <source>, cannot tell for sure</source>
        <translation>, nicht sicher zu sagen</translation>
    </message>
    <message>
        <source>, agreed</source>
        <translation>, zugestimmt</translation>
    </message>
    <message>
        <source>, rejected</source>
        <translation>, abgelehnt</translation>
    </message>
</context>
<context>
    <name>deft::ui::NewClipForm</name>
    <message>
        <source>Add a clip</source>
        <translation>Clip hinzufügen</translation>
    </message>
    <message>
        <source>what they do, if you like</source>
        <translation>was die Person tut, wenn du magst</translation>
    </message>
    <message>
        <source>as filmed</source>
        <translation>wie gefilmt</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Part of the film: from</source>
        <translation>Teil des Films: von</translation>
    </message>
    <message>
        <source>Part of the film: to</source>
        <translation>Teil des Films: bis</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>pain was named</source>
        <translation>Schmerz wurde genannt</translation>
    </message>
    <message>
        <source>nothing of that kind</source>
        <translation>nichts dergleichen</translation>
    </message>
    <message>
        <source>&amp;Client</source>
        <translation>&amp;Person</translation>
    </message>
    <message>
        <source>&amp;Role</source>
        <translation>&amp;Tätigkeit</translation>
    </message>
    <message>
        <source>&amp;Intake</source>
        <translation>Auf&amp;nahme</translation>
    </message>
    <message>
        <source>&amp;Exercise</source>
        <translation>Ü&amp;bung</translation>
    </message>
    <message>
        <source>&amp;Version</source>
        <translation>&amp;Version</translation>
    </message>
    <message>
        <source>&amp;Side</source>
        <translation>&amp;Seite</translation>
    </message>
    <message>
        <source>Part of the film</source>
        <translation>Teil des Films</translation>
    </message>
    <message>
        <source>of</source>
        <translation>mit</translation>
    </message>
    <message>
        <source>Repetitions in a round</source>
        <translation>Wiederholungen in einer Runde</translation>
    </message>
    <message>
        <source> reps</source>
        <translation> Wdh.</translation>
    </message>
    <message>
        <source>R&amp;ounds asked</source>
        <translation>R&amp;unden verlangt</translation>
    </message>
    <message>
        <source>&amp;Hold asked</source>
        <translation>&amp;Halten verlangt</translation>
    </message>
    <message>
        <source>Client&apos;s &amp;words</source>
        <translation>Eigene &amp;Worte</translation>
    </message>
    <message>
        <source>&amp;Felt in</source>
        <translation>&amp;Gespürt</translation>
    </message>
    <message>
        <source>Reason to s&amp;top</source>
        <translation>Stopp&amp;grund</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>not said</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>name, new or known</source>
        <translation>Name, neu oder bekannt</translation>
    </message>
    <message>
        <source>Add and open</source>
        <translation>Hinzufügen und öffnen</translation>
    </message>
    <message>
        <source>A part of the film as a clip</source>
        <translation>Ein Teil des Films als Clip</translation>
    </message>
    <message>
        <source>The film is kept once. Each of its parts is marked and reviewed by itself; one letter answers them all. To shorten the first clip, correct it in the queue.</source>
        <translation>Der Film wird einmal aufbewahrt. Jeder seiner Teile wird für sich markiert und beurteilt; ein Brief beantwortet sie alle. Um den ersten Clip zu kürzen, berichtige ihn in der Liste.</translation>
    </message>
    <message>
        <source>What is known of this clip</source>
        <translation>Was über diesen Clip bekannt ist</translation>
    </message>
    <message>
        <source>Save the correction</source>
        <translation>Berichtigung speichern</translation>
    </message>
    <message>
        <source>Marks that are set stay. With another exercise the schools are chosen anew.</source>
        <translation>Gesetzte Marken bleiben. Mit einer anderen Übung werden die Schulen neu gewählt.</translation>
    </message>
    <message>
        <source>The first frame looks like: %1. Is it that?</source>
        <translation>Das erste Bild sieht aus wie: %1. Ist es das?</translation>
    </message>
    <message>
        <source>Enter the client&apos;s name first; nothing was added.</source>
        <translation>Gib zuerst den Namen ein; nichts wurde hinzugefügt.</translation>
    </message>
    <message>
        <source>The part of the film ends before it begins; nothing was added.</source>
        <translation>Der Teil des Films endet, bevor er beginnt; nichts wurde hinzugefügt.</translation>
    </message>
    <message>
        <source>There is somebody of that name. Is it </source>
        <translation>Diesen Namen gibt es schon. Ist es </translation>
    </message>
    <message>
        <source>&lt;a href=&quot;%1&quot;&gt;%2&lt;/a&gt;, or </source>
        <translation>&lt;a href=&quot;%1&quot;&gt;%2&lt;/a&gt;, oder </translation>
    </message>
    <message>
        <source>&lt;a href=&quot;0&quot;&gt;somebody else&lt;/a&gt;?</source>
        <translation>&lt;a href=&quot;0&quot;&gt;jemand anderes&lt;/a&gt;?</translation>
    </message>
    <message>
        <source>Somebody of that name is on record already: choose whether it is the same person.</source>
        <translation>Dieser Name ist schon im Bestand: Wähl, ob es dieselbe Person ist.</translation>
    </message>
    <message>
        <source>Not added: %1.</source>
        <translation>Nicht hinzugefügt: %1.</translation>
    </message>
    <message>
        <source>Not corrected: %1.</source>
        <translation>Nicht korrigiert: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::NoisePanel</name>
    <message>
        <source>How your marks lie</source>
        <translation>Wie deine Marken liegen</translation>
    </message>
    <message>
        <source>in per cent of shoulder to hip</source>
        <translation>in Prozent von Schulter bis Hüfte</translation>
    </message>
    <message>
        <source>none to speak of</source>
        <translation>keine nennenswerte</translation>
    </message>
    <message>
        <source>toward the head</source>
        <translation>zum Kopf</translation>
    </message>
    <message>
        <source>toward the feet</source>
        <translation>zu den Füßen</translation>
    </message>
    <message>
        <source>outward</source>
        <translation>nach außen</translation>
    </message>
    <message>
        <source>inward</source>
        <translation>nach innen</translation>
    </message>
    <message>
        <source>to the front</source>
        <translation>nach vorn</translation>
    </message>
    <message>
        <source>to the back</source>
        <translation>nach hinten</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Your marking SD is %1 of the trunk (%2 to %3, from %4 marks).</source>
        <translation>Deine Markierungs-SD ist %1 des Rumpfs (%2 bis %3, aus %4 Marken).</translation>
    </message>
    <message>
        <source>In use since %1: %2 of the trunk, from %3 marks.</source>
        <translation>In Gebrauch seit %1: %2 des Rumpfs, aus %3 Marken.</translation>
    </message>
    <message>
        <source>d MMMM yyyy</source>
        <comment>date</comment>
        <translation>d. MMMM yyyy</translation>
    </message>
    <message>
        <source>Not known yet: bands take %1 pixels of a picture of 720 lines for everybody, or %2 mm where a scale is known.</source>
        <translation>Noch nicht bekannt: Bänder nehmen für alle %1 Pixel eines Bilds mit 720 Zeilen oder %2 mm, wo ein Maßstab bekannt ist.</translation>
    </message>
    <message>
        <source>point</source>
        <translation>Punkt</translation>
    </message>
    <message>
        <source>scatter</source>
        <translation>Streuung</translation>
    </message>
    <message>
        <source>your habit</source>
        <translation>deine Gewohnheit</translation>
    </message>
    <message>
        <source>–</source>
        <translation>–</translation>
    </message>
    <message>
        <source>A habit cancels between two visits, and in everything told against neutral or the start. The scatter does not: it goes into the ± of readings.</source>
        <translation>Eine Gewohnheit hebt sich zwischen zwei Besuchen auf, ebenso in allem, was gegen Neutral oder den Anfang gesagt wird. Die Streuung nicht: Sie geht in das ± der Messwerte ein.</translation>
    </message>
</context>
<context>
    <name>deft::ui::OfferedMarks</name>
    <message>
        <source>%1 proposed marks</source>
        <translation>%1 vorgeschlagene Marken</translation>
    </message>
</context>
<context>
    <name>deft::ui::OverruleForm</name>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>your reason, for the record</source>
        <translation>dein Grund, für die Akte</translation>
    </message>
    <message>
        <source>Use mine</source>
        <translation>Meines verwenden</translation>
    </message>
    <message>
        <source>As proposed</source>
        <translation>Wie vorgeschlagen</translation>
    </message>
    <message>
        <source>&amp;Step</source>
        <translation>&amp;Schritt</translation>
    </message>
    <message>
        <source>&amp;Version</source>
        <translation>&amp;Version</translation>
    </message>
    <message>
        <source>Rounds</source>
        <translation>Runden</translation>
    </message>
    <message>
        <source>Reps</source>
        <translation>Wdh.</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>Dose</source>
        <translation>Dosis</translation>
    </message>
    <message>
        <source>&amp;Why</source>
        <translation>&amp;Warum</translation>
    </message>
    <message>
        <source>A stop rule cannot be overridden here: speak with the client first.</source>
        <translation>Eine Stoppregel lässt sich hier nicht überstimmen: Sprich zuerst mit der Person.</translation>
    </message>
    <message>
        <source>Keep it locked</source>
        <translation>Gesperrt lassen</translation>
    </message>
    <message>
        <source>readiness list confirmed</source>
        <translation>Bereitschaftsliste bestätigt</translation>
    </message>
    <message>
        <source>target overridden</source>
        <translation>Ziel überstimmt</translation>
    </message>
    <message>
        <source>target as proposed</source>
        <translation>Ziel wie vorgeschlagen</translation>
    </message>
</context>
<context>
    <name>deft::ui::OwnFileEditor</name>
    <message>
        <source>Your own file of this exercise</source>
        <translation>Deine eigene Datei dieser Übung</translation>
    </message>
    <message>
        <source>What the check says</source>
        <translation>Was die Prüfung sagt</translation>
    </message>
    <message>
        <source>Save my file</source>
        <translation>Meine Datei speichern</translation>
    </message>
    <message>
        <source>Ctrl+S</source>
        <translation>Strg+S</translation>
    </message>
    <message>
        <source>Back to the one that ships</source>
        <translation>Zurück zur mitgelieferten</translation>
    </message>
    <message>
        <source>Read the page</source>
        <translation>Die Seite lesen</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Your own file. It extends the one that ships: change tolerances under “limits”, or put any other member here.</source>
        <translation>Deine eigene Datei. Sie erweitert die mitgelieferte: Ändere Toleranzen unter „limits“ oder setz hier jedes andere Feld.</translation>
    </message>
    <message>
        <source>%1.json: /id should stay “%1”</source>
        <translation>%1.json: /id soll „%1“ bleiben</translation>
    </message>
    <message>
        <source>In order.</source>
        <translation>In Ordnung.</translation>
    </message>
    <message>
        <source>Saved. The open review uses it, and so do those opened from now on.</source>
        <translation>Gespeichert. Die offene Rückmeldung verwendet es, und alle, die von jetzt an geöffnet werden.</translation>
    </message>
    <message>
        <source>Not saved: %1.</source>
        <translation>Nicht gespeichert: %1.</translation>
    </message>
    <message>
        <source>Not removed: %1.</source>
        <translation>Nicht entfernt: %1.</translation>
    </message>
    <message>
        <source>The file that ships counts again.</source>
        <translation>Die mitgelieferte Datei gilt wieder.</translation>
    </message>
</context>
<context>
    <name>deft::ui::PairPicture</name>
    <message>
        <source>Two pictures side by side</source>
        <translation>Zwei Bilder nebeneinander</translation>
    </message>
    <message>
        <source>rep %1</source>
        <translation>Wdh. %1</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
</context>
<context>
    <name>deft::ui::PictureTools</name>
    <message>
        <source>Choose another frame</source>
        <translation>Ein anderes Bild wählen</translation>
    </message>
    <message>
        <source>Previous frame</source>
        <translation>Voriges Einzelbild</translation>
    </message>
    <message>
        <source>Next frame</source>
        <translation>Nächstes Einzelbild</translation>
    </message>
    <message>
        <source>Next rep</source>
        <translation>Nächste Wiederholung</translation>
    </message>
    <message>
        <source>Shift →</source>
        <translation>Umschalt →</translation>
    </message>
    <message>
        <source>Frame of the bench</source>
        <translation>Bild der Werkbank</translation>
    </message>
    <message>
        <source>As computed</source>
        <translation>Wie berechnet</translation>
    </message>
    <message>
        <source>Ctrl R</source>
        <translation>Strg R</translation>
    </message>
</context>
<context>
    <name>deft::ui::PictureWindow</name>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
</context>
<context>
    <name>deft::ui::PlaceStrip</name>
    <message>
        <source>Place in the movement</source>
        <translation>Stelle in der Bewegung</translation>
    </message>
    <message>
        <source>start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>top</source>
        <translation>oben</translation>
    </message>
    <message>
        <source>end of the hold</source>
        <translation>Ende des Haltens</translation>
    </message>
    <message>
        <source>end</source>
        <translation>Ende</translation>
    </message>
</context>
<context>
    <name>deft::ui::PracticePage</name>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>Remove the last mark</source>
        <translation>Die letzte Marke entfernen</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Rücktaste</translation>
    </message>
    <message>
        <source>Another round</source>
        <translation>Noch eine Runde</translation>
    </message>
    <message>
        <source>Use the usual value again</source>
        <translation>Wieder den üblichen Wert verwenden</translation>
    </message>
    <message>
        <source>Marks that you set from now on carry your own scatter. Reviews that are there stay as they are.</source>
        <translation>Marken, die du von jetzt an setzt, tragen deine eigene Streuung. Rückmeldungen, die es gibt, bleiben, wie sie sind.</translation>
    </message>
    <message>
        <source>Marks that you set from now on carry the usual scatter.</source>
        <translation>Marken, die du von jetzt an setzt, tragen die übliche Streuung.</translation>
    </message>
    <message>
        <source>Use it for my readings</source>
        <translation>Für meine Messwerte verwenden</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Anfangen</translation>
    </message>
</context>
<context>
    <name>deft::ui::PracticePictureView</name>
    <message>
        <source>Picture to practise on</source>
        <translation>Bild zum Üben</translation>
    </message>
    <message>
        <source>Made pictures, whose true points are known, show how exactly you place marks.</source>
        <translation>Gemachte Bilder, deren wahre Punkte bekannt sind, zeigen, wie genau du Marken setzt.</translation>
    </message>
    <message>
        <source>The picture is being made…</source>
        <translation>Das Bild wird gemacht …</translation>
    </message>
    <message>
        <source>Picture %1 of %2</source>
        <translation>Bild %1 von %2</translation>
    </message>
    <message>
        <source>%1: circles are your marks, crosses the true points</source>
        <translation>%1: Kreise sind deine Marken, Kreuze die wahren Punkte</translation>
    </message>
    <message>
        <source>%1: click the %2</source>
        <translation>%1: Klick auf: %2</translation>
    </message>
</context>
<context>
    <name>deft::ui::PracticeRound</name>
    <message>
        <source>No pictures to practise on are there; the program&apos;s data are not whole.</source>
        <translation>Es gibt keine Bilder zum Üben; die Daten des Programms sind nicht vollständig.</translation>
    </message>
</context>
<context>
    <name>deft::ui::PractisedPanel</name>
    <message>
        <source>Exercises</source>
        <translation>Übungen</translation>
    </message>
    <message>
        <source>↑ ↓ for all %1</source>
        <translation>↑ ↓ für alle %1</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>No clip yet.</source>
        <translation>Noch kein Clip.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ProgrammeBeside</name>
    <message>
        <source>Compare with</source>
        <translation>Vergleichen mit</translation>
    </message>
    <message>
        <source>Beside</source>
        <translation>Daneben</translation>
    </message>
    <message>
        <source>Two programmes side by side</source>
        <translation>Zwei Übungspläne nebeneinander</translation>
    </message>
    <message>
        <source>given, from %1</source>
        <translation>gegeben, ab %1</translation>
    </message>
    <message>
        <source>template %1</source>
        <translation>Vorlage %1</translation>
    </message>
    <message>
        <source>nothing was given yet, and there is no template</source>
        <translation>noch ist nichts gegeben, und es gibt keine Vorlage</translation>
    </message>
    <message>
        <source>the same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>difference</source>
        <translation>Unterschied</translation>
    </message>
    <message>
        <source>differences</source>
        <translation>Unterschiede</translation>
    </message>
</context>
<context>
    <name>deft::ui::ProgrammeDesk</name>
    <message>
        <source>Not saved: %1.</source>
        <translation>Nicht gespeichert: %1.</translation>
    </message>
    <message>
        <source>Not proposed: %1.</source>
        <translation>Nicht vorgeschlagen: %1.</translation>
    </message>
    <message>
        <source>It is as it would be proposed.</source>
        <translation>Er ist, wie er vorgeschlagen würde.</translation>
    </message>
    <message>
        <source>propose</source>
        <translation>vorschlagen</translation>
    </message>
    <message>
        <source>Choose a client first.</source>
        <translation>Wähl zuerst eine Person.</translation>
    </message>
    <message>
        <source>%1.</source>
        <translation>%1.</translation>
    </message>
    <message>
        <source>%1, without %2.</source>
        <translation>%1, ohne %2.</translation>
    </message>
    <message>
        <source>Not used: %1.</source>
        <translation>Nicht verwendet: %1.</translation>
    </message>
    <message>
        <source>begun from the template %1</source>
        <translation>mit der Vorlage %1 begonnen</translation>
    </message>
    <message>
        <source>There is no exercise in it.</source>
        <translation>Es ist keine Übung darin.</translation>
    </message>
    <message>
        <source>Kept as the template %1; the client is not in it.</source>
        <translation>Als Vorlage %1 behalten; die Person ist nicht darin.</translation>
    </message>
    <message>
        <source>Not kept: %1.</source>
        <translation>Nicht behalten: %1.</translation>
    </message>
    <message>
        <source>The template %1 is gone.</source>
        <translation>Die Vorlage %1 ist weg.</translation>
    </message>
    <message>
        <source>Not removed: %1.</source>
        <translation>Nicht entfernt: %1.</translation>
    </message>
    <message>
        <source>look again</source>
        <translation>noch einmal ansehen</translation>
    </message>
    <message>
        <source>not to be looked at again</source>
        <translation>nicht noch einmal anzusehen</translation>
    </message>
    <message>
        <source>earlier</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>leave out</source>
        <translation>weglassen</translation>
    </message>
    <message>
        <source>Twelve exercises are as many as fit.</source>
        <translation>Mehr als zwölf Übungen passen nicht.</translation>
    </message>
    <message>
        <source>add</source>
        <translation>hinzufügen</translation>
    </message>
    <message>
        <source>change</source>
        <translation>Änderung</translation>
    </message>
    <message>
        <source>There is no other version.</source>
        <translation>Es gibt keine andere Version.</translation>
    </message>
    <message>
        <source>Locked: %1.</source>
        <translation>Gesperrt: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::ProgrammePage</name>
    <message>
        <source>Programme</source>
        <translation>Übungsplan</translation>
    </message>
    <message>
        <source>Client</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>What it answers</source>
        <translation>Worauf er antwortet</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Weggelassen</translation>
    </message>
    <message>
        <source>Against the one before</source>
        <translation>Gegen den vorigen</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen …</translation>
    </message>
    <message>
        <source>Ins</source>
        <translation>Einfg</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Alt+↑</source>
        <translation>Alt+↑</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Alt+↓</source>
        <translation>Alt+↓</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Del</source>
        <translation>Entf</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>Why it is here</source>
        <translation>Warum sie hier steht</translation>
    </message>
    <message>
        <source>Another one instead…</source>
        <translation>Eine andere stattdessen …</translation>
    </message>
    <message>
        <source>practice page for the phone</source>
        <translation>Übungsseite für das Handy</translation>
    </message>
    <message>
        <source>printed sheet</source>
        <translation>gedrucktes Blatt</translation>
    </message>
    <message>
        <source>calendar</source>
        <translation>Kalender</translation>
    </message>
    <message>
        <source>Page as the client sees it</source>
        <translation>Die Seite, wie die Person sie sieht</translation>
    </message>
    <message>
        <source>Give it</source>
        <translation>Geben</translation>
    </message>
    <message>
        <source>Ctrl+Enter</source>
        <translation>Strg+Eingabe</translation>
    </message>
    <message>
        <source>Goes out as</source>
        <translation>Geht hinaus als</translation>
    </message>
    <message>
        <source>Nobody is on record yet</source>
        <translation>Noch ist niemand im Bestand</translation>
    </message>
    <message>
        <source>%1, %2 from %3, %4</source>
        <translation>%1, %2 ab %3, %4</translation>
    </message>
    <message>
        <source>week</source>
        <translation>Woche</translation>
    </message>
    <message>
        <source>weeks</source>
        <translation>Wochen</translation>
    </message>
    <message>
        <source>given</source>
        <translation>gegeben</translation>
    </message>
    <message>
        <source>to follow the one of %1</source>
        <translation>folgt auf den vom %1</translation>
    </message>
    <message>
        <source>not given yet</source>
        <translation>noch nicht gegeben</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Nothing that is open</source>
        <translation>Nichts, was offen ist</translation>
    </message>
    <message>
        <source>Wants</source>
        <translation>Wünsche</translation>
    </message>
    <message>
        <source>not written down</source>
        <translation>nicht aufgeschrieben</translation>
    </message>
    <message>
        <source>Found</source>
        <translation>Gefunden</translation>
    </message>
    <message>
        <source>nothing that is clear</source>
        <translation>nichts Eindeutiges</translation>
    </message>
    <message>
        <source>Flags</source>
        <translation>Hinweise</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Kept</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>%1 of %2 days in two weeks</source>
        <translation>%1 von %2 Tagen in zwei Wochen</translation>
    </message>
    <message>
        <source>Again</source>
        <translation>Wieder</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>For</source>
        <translation>Für</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>filmed again on %1</source>
        <translation>wieder gefilmt am %1</translation>
    </message>
    <message>
        <source>%1 of %2 min</source>
        <translation>%1 von %2 min</translation>
    </message>
    <message>
        <source>%1, longer than there is time</source>
        <translation>%1, länger, als Zeit ist</translation>
    </message>
    <message>
        <source>Make its mail again</source>
        <translation>Die Mail noch einmal machen</translation>
    </message>
    <message>
        <source>Give it to %1</source>
        <translation>An %1 geben</translation>
    </message>
</context>
<context>
    <name>deft::ui::ProgrammeTable</name>
    <message>
        <source>its file cannot be read</source>
        <translation>die Datei lässt sich nicht lesen</translation>
    </message>
    <message>
        <source> a side</source>
        <translation> je Seite</translation>
    </message>
    <message>
        <source> a side, %1 first</source>
        <translation> je Seite, %1 zuerst</translation>
    </message>
    <message>
        <source>rest %1 s</source>
        <translation>Pause %1 s</translation>
    </message>
    <message>
        <source>%1 days a week</source>
        <translation>%1 Tage die Woche</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Platz</translation>
    </message>
    <message>
        <source>Exercise, and why</source>
        <translation>Übung, und warum</translation>
    </message>
    <message>
        <source>Dose</source>
        <translation>Dosis</translation>
    </message>
    <message>
        <source>Minutes</source>
        <translation>Minuten</translation>
    </message>
</context>
<context>
    <name>deft::ui::ProgrammeView</name>
    <message>
        <source>Each day, in this order</source>
        <translation>Jeden Tag, in dieser Reihenfolge</translation>
    </message>
</context>
<context>
    <name>deft::ui::QueuePage</name>
    <message>
        <source>Clips</source>
        <translation>Clips</translation>
    </message>
    <message>
        <source>Open on the bench</source>
        <translation>Auf der Werkbank öffnen</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>Add a clip…</source>
        <translation>Clip hinzufügen …</translation>
    </message>
    <message>
        <source>Ctrl+O</source>
        <translation>Strg+O</translation>
    </message>
    <message>
        <source>Name, exercise, or what the client wrote</source>
        <translation>Name, Übung oder was geschrieben wurde</translation>
    </message>
    <message>
        <source>Find clips</source>
        <translation>Clips finden</translation>
    </message>
    <message>
        <source>%1 of %2 clips; Esc shows all</source>
        <translation>%1 von %2 Clips; Esc zeigt alle</translation>
    </message>
    <message>
        <source>This clip has been answered, and what was filed stays as it was.</source>
        <translation>Dieser Clip ist beantwortet, und was abgelegt ist, bleibt, wie es war.</translation>
    </message>
    <message>
        <source>Not opened: %1. Nothing was changed.</source>
        <translation>Nicht geöffnet: %1. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>Not opened: %1: the clip has a single frame; movement needs at least two. Nothing was changed.</source>
        <translation>Nicht geöffnet: %1: Der Clip hat ein einziges Bild; Bewegung braucht mindestens zwei. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>%1
%2 × %3, %4 frames in %5 s</source>
        <translation>%1
%2 × %3, %4 Bilder in %5 s</translation>
    </message>
    <message>
        <source>
The file seems to be cut off; what is there can be measured.</source>
        <translation>
Die Datei scheint abgeschnitten; was da ist, lässt sich messen.</translation>
    </message>
    <message>
        <source>&lt;p&gt;The picture is good enough to measure.&lt;/p&gt;</source>
        <translation>&lt;p&gt;Das Bild ist gut genug zum Messen.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;&lt;b&gt;To ask for next time&lt;/b&gt;&lt;/p&gt;&lt;ul style=&apos;margin-left:-24px&apos;&gt;%1&lt;/ul&gt;</source>
        <translation>&lt;p&gt;&lt;b&gt;Für das nächste Mal zu erbitten&lt;/b&gt;&lt;/p&gt;&lt;ul style=&apos;margin-left:-24px&apos;&gt;%1&lt;/ul&gt;</translation>
    </message>
    <message>
        <source>&lt;h3&gt;No clips waiting&lt;/h3&gt;&lt;p&gt;Bring in a clip that a client has sent you: any MP4, MOV, MKV or WebM from the side, head to toes in the picture.&lt;/p&gt;</source>
        <translation>&lt;h3&gt;Keine Clips warten&lt;/h3&gt;&lt;p&gt;Hol einen Clip herein, der dir geschickt wurde: MP4, MOV, MKV oder WebM von der Seite, von Kopf bis Fuß im Bild.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;&lt;a href=&quot;coach&quot;&gt;Enter your name&lt;/a&gt;: answers are signed with it.&lt;/p&gt;</source>
        <translation>&lt;p&gt;&lt;a href=&quot;coach&quot;&gt;Gib deinen Namen ein&lt;/a&gt;: Antworten werden damit unterschrieben.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;One of %1 clips of this visit; one letter answers them.&lt;/p&gt;</source>
        <translation>&lt;p&gt;Einer von %1 Clips dieses Besuchs; ein Brief beantwortet sie.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;&lt;b&gt;%1&lt;/b&gt;, asked %2, received %3&lt;/p&gt;</source>
        <translation>&lt;p&gt;&lt;b&gt;%1&lt;/b&gt;, verlangt %2, gekommen %3&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;&lt;b&gt;Pain was named.&lt;/b&gt; Answer this one first; the exercise stops until you have spoken.&lt;/p&gt;</source>
        <translation>&lt;p&gt;&lt;b&gt;Schmerz wurde genannt.&lt;/b&gt; Beantworte das zuerst; die Übung ruht, bis ihr gesprochen habt.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p&gt;An answer was promised by %1.&lt;/p&gt;</source>
        <translation>&lt;p&gt;Eine Antwort bis %1 ist versprochen.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>dddd, d MMMM</source>
        <comment>day of a date</comment>
        <translation>dddd, d. MMMM</translation>
    </message>
    <message>
        <source>&lt;p&gt;&lt;b&gt;%1&lt;/b&gt; See the client room (Alt+5).&lt;/p&gt;</source>
        <translation>&lt;p&gt;&lt;b&gt;%1&lt;/b&gt; Siehe Raum „Person“ (Alt+5).&lt;/p&gt;</translation>
    </message>
    <message>
        <source>&lt;p style=&apos;margin-top:16px&apos;&gt;&lt;b&gt;Filed before&lt;/b&gt;&lt;/p&gt;&lt;table cellspacing=&apos;0&apos; cellpadding=&apos;3&apos;&gt;</source>
        <translation>&lt;p style=&apos;margin-top:16px&apos;&gt;&lt;b&gt;Früher abgelegt&lt;/b&gt;&lt;/p&gt;&lt;table cellspacing=&apos;0&apos; cellpadding=&apos;3&apos;&gt;</translation>
    </message>
    <message>
        <source>clean</source>
        <translation>sauber</translation>
    </message>
    <message>
        <source>pelvis, worst</source>
        <translation>Becken, Spitze</translation>
    </message>
    <message>
        <source>control range</source>
        <translation>Kontrollbereich</translation>
    </message>
    <message>
        <source>&lt;p&gt;The first clip of this exercise from this client.&lt;/p&gt;</source>
        <translation>&lt;p&gt;Der erste Clip dieser Übung von dieser Person.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>A picture of the clip</source>
        <translation>Ein Bild des Clips</translation>
    </message>
</context>
<context>
    <name>deft::ui::ReadingsPanel</name>
    <message>
        <source>Readings</source>
        <translation>Messwerte</translation>
    </message>
    <message>
        <source>marking SD %1 px (yours)</source>
        <translation>Markierungs-SD %1 px (deine)</translation>
    </message>
    <message>
        <source>marking SD %1 px (default)</source>
        <translation>Markierungs-SD %1 px (üblich)</translation>
    </message>
    <message>
        <source>being measured</source>
        <translation>wird gemessen</translation>
    </message>
    <message>
        <source>not measured yet</source>
        <translation>noch nicht gemessen</translation>
    </message>
</context>
<context>
    <name>deft::ui::ReadingsTable</name>
    <message>
        <source>in tolerance</source>
        <translation>in der Toleranz</translation>
    </message>
    <message>
        <source>out of tolerance</source>
        <translation>außerhalb der Toleranz</translation>
    </message>
    <message>
        <source>cannot tell whether in tolerance</source>
        <translation>nicht zu sagen, ob in der Toleranz</translation>
    </message>
    <message>
        <source>best in rep %1; press to go there</source>
        <translation>am besten in Wdh. %1; drücken, um hinzugehen</translation>
    </message>
    <message>
        <source>worst in rep %1; press to go there</source>
        <translation>am schlechtesten in Wdh. %1; drücken, um hinzugehen</translation>
    </message>
    <message>
        <source>best rep</source>
        <translation>beste Wdh.</translation>
    </message>
    <message>
        <source>worst rep</source>
        <translation>schlechteste Wdh.</translation>
    </message>
    <message>
        <source>reading</source>
        <translation>Messwert</translation>
    </message>
    <message>
        <source>worst</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>± 95 %</source>
        <translation>± 95 %</translation>
    </message>
    <message>
        <source>tolerance</source>
        <translation>Toleranz</translation>
    </message>
    <message>
        <source>last time</source>
        <translation>zuletzt</translation>
    </message>
    <message>
        <source>reps</source>
        <translation>Wdh.</translation>
    </message>
</context>
<context>
    <name>deft::ui::RepSheet</name>
    <message>
        <source>Rep sheet</source>
        <translation>Wiederholungsblatt</translation>
    </message>
    <message>
        <source>No clip is open. Choose one in the queue.</source>
        <translation>Kein Clip ist offen. Wähl einen in der Liste.</translation>
    </message>
    <message>
        <source>Following the marks; the reps appear when that is done.</source>
        <translation>Die Marken werden verfolgt; danach erscheinen die Wiederholungen.</translation>
    </message>
    <message>
        <source>Not everything is marked yet. Place the marks in the picture; the reps appear here.</source>
        <translation>Noch ist nicht alles markiert. Setz die Marken im Bild; die Wiederholungen erscheinen hier.</translation>
    </message>
    <message>
        <source>Not measured.</source>
        <translation>Nicht gemessen.</translation>
    </message>
    <message>
        <source>No repetition found: movement too small or landmark hidden.</source>
        <translation>Keine Wiederholung gefunden: Bewegung zu klein oder Körperpunkt verdeckt.</translation>
    </message>
    <message>
        <source>%1, %2: %3</source>
        <translation>%1, %2: %3</translation>
    </message>
</context>
<context>
    <name>deft::ui::RepTable</name>
    <message>
        <source>%1 at %2 s</source>
        <translation>%1 bei %2 s</translation>
    </message>
    <message>
        <source>out of tolerance</source>
        <translation>außerhalb der Toleranz</translation>
    </message>
    <message>
        <source>Rep %1</source>
        <translation>Wdh. %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::ReviewSession</name>
    <message>
        <source>%1, rep %2</source>
        <translation>%1, Wdh. %2</translation>
    </message>
    <message>
        <source>agree: %1</source>
        <translation>zustimmen: %1</translation>
    </message>
    <message>
        <source>reject: %1</source>
        <translation>ablehnen: %1</translation>
    </message>
    <message>
        <source>A fault belongs to a rep or hold, and none was found in this clip.</source>
        <translation>Ein Fehler gehört zu einer Wiederholung oder einem Halten, und in diesem Clip wurde keines gefunden.</translation>
    </message>
    <message>
        <source>fault seen: %1</source>
        <translation>Fehler gesehen: %1</translation>
    </message>
    <message>
        <source>span of: %1</source>
        <translation>Spanne von: %1</translation>
    </message>
    <message>
        <source>%1 is: %2</source>
        <translation>%1 ist: %2</translation>
    </message>
    <message>
        <source>The pelvis is not measured in this frame, so it cannot be the neutral.</source>
        <translation>Das Becken ist in diesem Bild nicht gemessen, also kann es nicht das Neutral sein.</translation>
    </message>
    <message>
        <source>neutral from this frame</source>
        <translation>Neutral aus diesem Bild</translation>
    </message>
    <message>
        <source>neutral from the set-up</source>
        <translation>Neutral aus dem Aufbau</translation>
    </message>
    <message>
        <source>Neutral not changed: %1.</source>
        <translation>Neutral nicht geändert: %1.</translation>
    </message>
    <message>
        <source>neutral midway between arch and flat</source>
        <translation>Neutral in der Mitte zwischen hohl und flach</translation>
    </message>
    <message>
        <source>neutral of another clip</source>
        <translation>Neutral eines anderen Clips</translation>
    </message>
    <message>
        <source>breath out</source>
        <translation>Ausatmen</translation>
    </message>
    <message>
        <source>breath in</source>
        <translation>Einatmen</translation>
    </message>
    <message>
        <source>breath taken out</source>
        <translation>Atemzug entfernt</translation>
    </message>
    <message>
        <source>picture “too far” of “%1”</source>
        <translation>Bild „zu weit“ von „%1“</translation>
    </message>
    <message>
        <source>picture “aim for this” of “%1”</source>
        <translation>Bild „so soll es sein“ von „%1“</translation>
    </message>
    <message>
        <source>“%1” as computed</source>
        <translation>„%1“ wie berechnet</translation>
    </message>
    <message>
        <source>This review has been filed and stays as it was sent.</source>
        <translation>Diese Rückmeldung ist abgelegt und bleibt, wie sie gesendet wurde.</translation>
    </message>
    <message>
        <source>mark of the %1</source>
        <translation>Marke: %1</translation>
    </message>
    <message>
        <source>%1 not visible</source>
        <translation>%1 nicht sichtbar</translation>
    </message>
    <message>
        <source>Not saved: %1.</source>
        <translation>Nicht gespeichert: %1.</translation>
    </message>
    <message>
        <source>Saved %1</source>
        <translation>Gespeichert %1</translation>
    </message>
    <message>
        <source>Look at the mark of the %1: it %2.</source>
        <translation>Sieh dir diese Marke an: %1 %2.</translation>
    </message>
    <message>
        <source> And at %1 more.</source>
        <translation> Und bei %1 weiteren.</translation>
    </message>
    <message>
        <source> Its band is wider until then.</source>
        <translation> Bis dahin ist ihr Band breiter.</translation>
    </message>
    <message>
        <source>Not measured: %1.</source>
        <translation>Nicht gemessen: %1.</translation>
    </message>
    <message>
        <source>breaths confirmed</source>
        <translation>Atem bestätigt</translation>
    </message>
</context>
<context>
    <name>deft::ui::RoomBar</name>
    <message>
        <source>Menu (F10)</source>
        <translation>Menü (F10)</translation>
    </message>
    <message>
        <source>All keys (?)</source>
        <translation>Alle Tasten (?)</translation>
    </message>
</context>
<context>
    <name>deft::ui::SketchPair</name>
    <message>
        <source>Drawing of %1: start and far end</source>
        <translation>Zeichnung von %1: Anfang und fernes Ende</translation>
    </message>
    <message>
        <source>Start</source>
        <translation>Anfang</translation>
    </message>
    <message>
        <source>Far end: %1</source>
        <translation>Fernes Ende: %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::SpeakForm</name>
    <message>
        <source>The moment of the first correction, beside the best frame</source>
        <translation>Der Moment der ersten Korrektur, neben dem besten Bild</translation>
    </message>
    <message>
        <source>Speak over the reply clip</source>
        <translation>Zum Antwortclip sprechen</translation>
    </message>
    <message>
        <source>How loud it is</source>
        <translation>Wie laut es ist</translation>
    </message>
    <message>
        <source>Captions</source>
        <translation>Untertitel</translation>
    </message>
    <message>
        <source>&amp;Captions: what you say, for those who watch without sound. Empty: none.</source>
        <translation>&amp;Untertitel: was du sagst, für alle, die ohne Ton zusehen. Leer: keine.</translation>
    </message>
    <message>
        <source>&amp;Use it</source>
        <translation>&amp;Verwenden</translation>
    </message>
    <message>
        <source>&amp;Listen</source>
        <translation>&amp;Anhören</translation>
    </message>
    <message>
        <source>&amp;Discard</source>
        <translation>Ver&amp;werfen</translation>
    </message>
    <message>
        <source>That did not work: %1.</source>
        <translation>Das ging nicht: %1.</translation>
    </message>
    <message>
        <source>Speaking … press to end</source>
        <translation>Aufnahme … drücken beendet sie</translation>
    </message>
    <message>
        <source>Speaking … let go to end</source>
        <translation>Aufnahme … loslassen beendet sie</translation>
    </message>
    <message>
        <source>Hold to speak (Space)</source>
        <translation>Zum Sprechen halten (Leertaste)</translation>
    </message>
    <message>
        <source>&amp;Stop</source>
        <translation>&amp;Anhalten</translation>
    </message>
    <message>
        <source>&amp;Play the moment</source>
        <translation>Moment a&amp;bspielen</translation>
    </message>
    <message>
        <source>There is no microphone.</source>
        <translation>Es gibt kein Mikrofon.</translation>
    </message>
    <message>
        <source>The moment&apos;s pictures are being made, faces covered … %1 %</source>
        <translation>Die Bilder des Moments werden gemacht, Gesichter verdeckt … %1 %</translation>
    </message>
    <message>
        <source>%1 from %2. Draw on the picture with the mouse.</source>
        <translation>%1 von %2. Zeichne mit der Maus ins Bild.</translation>
    </message>
    <message>
        <source>Cutting and levelling …</source>
        <translation>Wird geschnitten und ausgepegelt …</translation>
    </message>
    <message>
        <source>%1 are spoken. The silence around it is cut; hold the button to speak anew.</source>
        <translation>%1 sind gesprochen. Die Stille davor und danach ist weg; halte den Knopf, um neu zu sprechen.</translation>
    </message>
    <message>
        <source>Hold the button, or tap it to begin and again to end. The moment plays slowly, again and again, and what you draw on it is seen as you speak. The clip&apos;s own sound is not sent.</source>
        <translation>Halte den Knopf, oder tippe ihn zum Beginnen und noch einmal zum Beenden an. Der Moment läuft langsam, immer wieder, und was du hineinzeichnest, ist zu sehen, während du sprichst. Der eigene Ton des Clips geht nicht mit.</translation>
    </message>
    <message>
        <source>Not kept: %1.</source>
        <translation>Nicht behalten: %1.</translation>
    </message>
</context>
<context>
    <name>deft::ui::Speaking</name>
    <message>
        <source>there is no sound device</source>
        <translation>es gibt kein Tongerät</translation>
    </message>
    <message>
        <source>discard what was spoken</source>
        <translation>Gesprochenes verwerfen</translation>
    </message>
    <message>
        <source>speak over the reply clip</source>
        <translation>zum Antwortclip sprechen</translation>
    </message>
</context>
<context>
    <name>deft::ui::StagePicture</name>
    <message>
        <source>%1 s, frame %2</source>
        <translation>%1 s, Bild %2</translation>
    </message>
    <message>
        <source>Rep %1, %2   %3</source>
        <translation>Wdh. %1, %2   %3</translation>
    </message>
    <message>
        <source>this frame is damaged; frame %1 is shown</source>
        <translation>dieses Bild ist beschädigt; Bild %1 wird gezeigt</translation>
    </message>
    <message>
        <source>on its way; frame %1 is shown</source>
        <translation>unterwegs; Bild %1 wird gezeigt</translation>
    </message>
    <message>
        <source>dashed: best, rep %1, %2 s</source>
        <translation>gestrichelt: bestes, Wdh. %1, %2 s</translation>
    </message>
    <message>
        <source>onto the sticker; Alt: beside it</source>
        <translation>auf den Aufkleber; Alt: daneben</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
</context>
<context>
    <name>deft::ui::TargetPanel</name>
    <message>
        <source>Next target</source>
        <translation>Nächstes Ziel</translation>
    </message>
    <message>
        <source>Answer</source>
        <translation>Antwort</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>Override</source>
        <translation>Ändern</translation>
    </message>
    <message>
        <source>O</source>
        <translation>O</translation>
    </message>
    <message>
        <source>Override the target, or see what would open a locked exercise</source>
        <translation>Das Ziel überstimmen, oder sehen, was eine gesperrte Übung öffnen würde</translation>
    </message>
    <message>
        <source>Answer, %1 left</source>
        <translation>Antwort, noch %1</translation>
    </message>
    <message>
        <source>Cue: %1</source>
        <translation>Hinweis: %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::Threads</name>
    <message>
        <source>Time plots</source>
        <translation>Zeitkurven</translation>
    </message>
    <message>
        <source>%1 of %2 s</source>
        <translation>%1 von %2 s</translation>
    </message>
</context>
<context>
    <name>deft::ui::WeeksPanel</name>
    <message>
        <source>Over the weeks</source>
        <translation>Über die Wochen</translation>
    </message>
    <message>
        <source>filled: %1; shaded: tolerance, with its limits; line: a trend beyond the noise</source>
        <translation>ausgefüllt: %1; schattiert: Toleranz mit ihren Grenzen; Linie: ein Trend über dem Rauschen</translation>
    </message>
    <message>
        <source>×: pain told; </source>
        <translation>×: Schmerz gemeldet; </translation>
    </message>
    <message>
        <source>pain told on %1</source>
        <translation>Schmerz gemeldet am %1</translation>
    </message>
</context>
<context>
    <name>deft::ui::WhenForm</name>
    <message>
        <source>From</source>
        <translation>Ab</translation>
    </message>
    <message>
        <source>Look again on</source>
        <translation>Noch einmal am</translation>
    </message>
    <message>
        <source>Weeks</source>
        <translation>Wochen</translation>
    </message>
    <message>
        <source>Minutes a day</source>
        <translation>Minuten am Tag</translation>
    </message>
    <message>
        <source> min</source>
        <translation> min</translation>
    </message>
    <message>
        <source>What the programme is for</source>
        <translation>Wofür der Übungsplan ist</translation>
    </message>
    <message>
        <source>no goal</source>
        <translation>kein Ziel</translation>
    </message>
    <message>
        <source>Reminder, in the client&apos;s own words</source>
        <translation>Erinnerung, in den eigenen Worten der Person</translation>
    </message>
    <message>
        <source>client&apos;s words</source>
        <translation>eigene Worte</translation>
    </message>
    <message>
        <source>Stands in the calendar in place of “Practice, 12 min”.</source>
        <translation>Steht im Kalender anstelle von „Üben, 12 min“.</translation>
    </message>
    <message>
        <source>For</source>
        <translation>Für</translation>
    </message>
    <message>
        <source>A day</source>
        <translation>Am Tag</translation>
    </message>
    <message>
        <source>Look again</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>Reminder</source>
        <translation>Erinnerung</translation>
    </message>
    <message>
        <source>goals</source>
        <translation>Ziele</translation>
    </message>
    <message>
        <source>days and weeks</source>
        <translation>Tage und Wochen</translation>
    </message>
    <message>
        <source>R proposes anew, with what serves this.</source>
        <translation>R schlägt neu vor, was dazu passt.</translation>
    </message>
</context>
<context>
    <name>landmark</name>
    <message>
        <source>The opening of the ear, not the lobe.</source>
        <translation>Die Öffnung des Ohrs, nicht das Läppchen.</translation>
    </message>
    <message>
        <source>The outer corner of the eye.</source>
        <translation>Der äußere Augenwinkel.</translation>
    </message>
    <message>
        <source>The foremost point of the chin.</source>
        <translation>Der vorderste Punkt des Kinns.</translation>
    </message>
    <message>
        <source>The tip of the nose.</source>
        <translation>Die Nasenspitze.</translation>
    </message>
    <message>
        <source>The knob at the base of the neck that stands out when the head bows.</source>
        <translation>Der Höcker unten am Hals, der hervortritt, wenn der Kopf sich neigt.</translation>
    </message>
    <message>
        <source>The bony edge on top of the shoulder&apos;s outside. It stays where it is while the arm swings.</source>
        <translation>Die Knochenkante oben außen an der Schulter. Sie bleibt, wo sie ist, während der Arm schwingt.</translation>
    </message>
    <message>
        <source>The middle of the joint, where the arm folds, not the point behind it.</source>
        <translation>Die Mitte des Gelenks, wo der Arm sich beugt, nicht die Spitze dahinter.</translation>
    </message>
    <message>
        <source>The middle of the joint, between the two knobs.</source>
        <translation>Die Mitte des Gelenks, zwischen den beiden Höckern.</translation>
    </message>
    <message>
        <source>The knuckle of the middle finger.</source>
        <translation>Der Knöchel des Mittelfingers.</translation>
    </message>
    <message>
        <source>The lower edge of the ribs in front, above the hip point.</source>
        <translation>Der untere Rand der Rippen vorn, über dem vorderen Beckenknochen.</translation>
    </message>
    <message>
        <source>The back at the height of the lowest rib.</source>
        <translation>Der Rücken auf Höhe der untersten Rippe.</translation>
    </message>
    <message>
        <source>The deepest point of the low back&apos;s hollow.</source>
        <translation>Der tiefste Punkt des Hohlkreuzes.</translation>
    </message>
    <message>
        <source>The flat bone between the two dimples, below the low back.</source>
        <translation>Der flache Knochen zwischen den beiden Grübchen, unter dem unteren Rücken.</translation>
    </message>
    <message>
        <source>The dimple at the back of the hip, beside the sacrum.</source>
        <translation>Das Grübchen hinten am Becken, neben dem Kreuzbein.</translation>
    </message>
    <message>
        <source>The bone in front that a hand on the hip meets first. It moves with the pelvis alone, not with the thigh.</source>
        <translation>Der Knochen vorn, auf den eine Hand an der Hüfte zuerst trifft. Er bewegt sich nur mit dem Becken, nicht mit dem Oberschenkel.</translation>
    </message>
    <message>
        <source>The highest point of the hip bone at the side, where the hand rests.</source>
        <translation>Der höchste Punkt des Beckenkamms an der Seite, wo die Hand aufliegt.</translation>
    </message>
    <message>
        <source>The front of the pubic bone, low in the middle.</source>
        <translation>Die Vorderseite des Schambeins, tief in der Mitte.</translation>
    </message>
    <message>
        <source>The bony knob at the outside of the hip. Lift the leg in your mind: it stays still while the thigh turns round it.</source>
        <translation>Der Knochenhöcker außen an der Hüfte. Heb das Bein in Gedanken: Er bleibt still, während der Oberschenkel sich um ihn dreht.</translation>
    </message>
    <message>
        <source>The middle of the joint at its side, where the shin begins to turn.</source>
        <translation>Die Mitte des Gelenks an seiner Seite, wo der Unterschenkel sich zu drehen beginnt.</translation>
    </message>
    <message>
        <source>The knob at the outside of the ankle.</source>
        <translation>Der Knöchel außen am Sprunggelenk.</translation>
    </message>
    <message>
        <source>The lowest point at the back of the heel.</source>
        <translation>Der tiefste Punkt hinten an der Ferse.</translation>
    </message>
    <message>
        <source>The ball of the little toe; of a foot from the front, of the big one.</source>
        <translation>Der Ballen der kleinen Zehe; bei einem Fuß von vorn der der großen.</translation>
    </message>
    <message>
        <source>The middle of the breastbone.</source>
        <translation>Die Mitte des Brustbeins.</translation>
    </message>
    <message>
        <source>The mat&apos;s edge nearest to you, where the feet are.</source>
        <translation>Der Mattenrand, der dir am nächsten ist, dort, wo die Füße sind.</translation>
    </message>
    <message>
        <source>The same edge of the mat, where the head is.</source>
        <translation>Derselbe Mattenrand, dort, wo der Kopf ist.</translation>
    </message>
    <message>
        <source>Something that hangs or stands upright: its upper end.</source>
        <translation>Etwas, das hängt oder aufrecht steht: sein oberes Ende.</translation>
    </message>
    <message>
        <source>The lower end of the same upright.</source>
        <translation>Das untere Ende desselben.</translation>
    </message>
    <message>
        <source>One end of a length that you know, beside the body.</source>
        <translation>Ein Ende einer Länge, die du kennst, neben dem Körper.</translation>
    </message>
    <message>
        <source>The other end of it.</source>
        <translation>Das andere Ende davon.</translation>
    </message>
    <message>
        <source>The middle of the knee of the leg that lies behind the other, or below it.</source>
        <translation>Die Mitte des Knies des Beins, das hinter oder unter dem anderen liegt.</translation>
    </message>
    <message>
        <source>The ankle of the leg that lies behind the other, or below it.</source>
        <translation>Der Knöchel des Beins, das hinter oder unter dem anderen liegt.</translation>
    </message>
    <message>
        <source>The wheel&apos;s axle.</source>
        <translation>Die Achse des Rads.</translation>
    </message>
    <message>
        <source>The middle of the ball.</source>
        <translation>Die Mitte des Balls.</translation>
    </message>
    <message>
        <source>On the client&apos;s own left.</source>
        <translation>Auf der eigenen linken Seite der Person.</translation>
    </message>
    <message>
        <source>On the client&apos;s own right.</source>
        <translation>Auf der eigenen rechten Seite der Person.</translation>
    </message>
</context>
</TS>
