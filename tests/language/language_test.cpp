// SPDX-License-Identifier: GPL-3.0-or-later
// Messages become words: plurals, ordinals, lists, numbers and days of each language; what is missing is English, and
// no client reads two languages in one letter.
#include "answer/phrases.h"
#include "answer/sheet.h"
#include "base/files.h"
#include "base/json.h"
#include "base/message_json.h"
#include "exercises/language_check.h"
#include "exercises/translated.h"
#include "judgement/decision.h"
#include "language/spelling.h"
#include "support/catalogue.h"

#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>
#include <array>

using namespace deft;
using namespace std::chrono;
namespace fs = std::filesystem;

class LanguageTest : public QObject {
    Q_OBJECT

    static LanguagePtr in(const char* code) { return shipped().language(code); }

    /// A folder of languages: the English that ships and one of the test's own.
    static fs::path folderWith(const QTemporaryDir& folder, const Json& own) {
        const fs::path path = folder.path().toStdString();
        fs::copy_file(dataFolder() / "languages/en.json", path / "en.json", fs::copy_options::overwrite_existing);
        (void)writeFileAtomically(path / "xx.json", toText(own));
        return path;
    }
    static Json own(const Json& sentences, const Json& texts = Json::object()) {
        return {{"format", "deft-mirror-language"}, {"version", 1},  {"name", "Own"}, {"locale", "pl_PL"},
                {"sentences", sentences},           {"texts", texts}};
    }

    /// Words that English has and none of the other languages.
    static QString englishIn(const std::string& text) {
        static const QRegularExpression words(
            QStringLiteral("\\b(the|your|and|with|until|you|before|keep|please|of)\\b"),
            QRegularExpression::CaseInsensitiveOption);
        return words.match(QString::fromStdString(text)).captured();
    }

private slots:
    /// Days as the Unicode CLDR writes them (version 42, long date patterns without the year), lists as its standard
    /// patterns do; the decimal comma of German, Spanish and French.
    void daysListsAndNumbers() {
        const Day day{sys_days(year(2026) / 5 / 14)};
        const std::tuple<const char*, const char*, const char*, const char*> rows[] = {
            {"en", "Thursday 14 May", "a, b and c", "+10.4 ± 0.2°"},
            {"de", "Donnerstag, 14. Mai", "a, b und c", "+10,4 ± 0,2°"},
            {"es", "jueves 14 de mayo", "a, b y c", "+10,4 ± 0,2°"},
            {"fr", "jeudi 14 mai", "a, b et c", "+10,4 ± 0,2°"}};
        for (const auto& [code, words, list, number] : rows) {
            QCOMPARE(in(code)->day(day), std::string(words));
            QCOMPARE(in(code)->list({"a", "b", "c"}), std::string(list));
            QCOMPARE(in(code)->number({10.4, 1, "deg", true, 0.2}), std::string(number));
        }
        QCOMPARE(in("de")->number({-7, 1, "%"}), std::string("−7 %"));
        QCOMPARE(in("de")->number({5, 1, "s"}), std::string("5 s"));
    }

    void plurals() {
        QCOMPARE(in("de")->say(secondsWords(1)), std::string("1 Sekunde"));
        QCOMPARE(in("de")->say(secondsWords(5.5)), std::string("5,5 Sekunden"));
        QCOMPARE(in("fr")->say(ordinal(0)), std::string("1re"));
        QCOMPARE(in("fr")->say(ordinal(1)), std::string("2e"));
        // Polish has three forms (CLDR: one, few, many), so a sentence of its own needs no code of ours.
        QTemporaryDir folder;
        const auto path = folderWith(
            folder,
            own({{"number.words", "{n, plural, one {# powtórzenie} few {# powtórzenia} other {# powtórzeń}}"}}));
        const auto polish = Language::load(path, "xx").value();
        for (const auto& [n, words] :
             {std::pair{1, "1 powtórzenie"}, {3, "3 powtórzenia"}, {5, "5 powtórzeń"}, {22, "22 powtórzenia"}})
            QCOMPARE(polish->say(countWords(n)), std::string(words));
    }

    /// A sentence that a language lacks is English; a key that nobody knows is a sentence of a file; a sentence that
    /// cannot be read is said as it stands.
    void whatIsMissing() {
        QTemporaryDir folder;
        const auto path =
            folderWith(folder, own({{"close.regards", "Pozdrawiam"}, {"scope", "{broken"}}, {{"noun|lift", "x"}}));
        const auto l = Language::load(path, "xx").value();
        QCOMPARE(l->say("close.regards"), std::string("Pozdrawiam"));
        QCOMPARE(l->say("well.pleasure"), in("en")->say("well.pleasure"));
        QCOMPARE(l->say("A coach's own words, with an apostrophe."),
                 std::string("A coach's own words, with an apostrophe."));
        QCOMPARE(l->say("scope"), std::string("{broken"));
        QCOMPARE(l->say("noun|lift"), std::string("x"));
        QCOMPARE(in("en")->say("noun|lift"), std::string("lift"));
        QCOMPARE(l->say("left|right"), std::string("left|right"));
        QCOMPARE(l->text("lift", "noun"), std::string("x"));
        QCOMPARE(l->text("lift"), std::string("lift"));
        QCOMPARE(Language::load(path, "zz").error().code, Errc::NotFound);
        (void)writeFileAtomically(path / "yy.json", "{\"format\": \"deft-mirror-language\", \"version\": 9}");
        QCOMPARE(Language::load(path, "yy").error().code, Errc::NewerVersion);
        (void)writeFileAtomically(path / "yy.json", "{\"format\": \"deft-mirror-language\", \"version\": 1}");
        QCOMPARE(Language::load(path, "yy").error().code, Errc::BadFormat);
        QCOMPARE(shipped().language("zz")->code(), std::string("en"));
    }

    /// What is typed is said as it is, whatever it holds.
    void namesAreNoPatterns() {
        const Message m("visit.under", {{"name", "{d'Artagnan} {n, plural}"}, {"text", "'{'"}});
        QCOMPARE(in("fr")->say(m), std::string("{d'Artagnan} {n, plural}\u00a0: '{'"));
    }

    void whatShipsIsWhole() {
        QCOMPARE(shipped().languages(), (std::vector<std::string>{"de", "en", "es", "fr"}));
        for (const std::string& code : shipped().languages()) {
            const auto check = checkLanguage(shipped(), code).value();
            const auto first = [&](const std::vector<std::string>& lines) {
                return lines.empty() ? "" : code + ": " + lines.front();
            };
            QVERIFY2(check.wrong.empty(), first(check.wrong).c_str());
            QVERIFY2(check.missingClient.empty(), first(check.missingClient).c_str());
            QVERIFY2(check.unused.empty(), first(check.unused).c_str());
            if (code == "de") QVERIFY2(check.missingCoach.empty(), first(check.missingCoach).c_str());
            const std::string page = "practice-page/words." + code + ".json";
            const Json words = readJsonFile(dataFolder() / page).value(),
                       english = readJsonFile(dataFolder() / "practice-page/words.en.json").value();
            for (const auto& [key, text] : english.items()) {
                QVERIFY2(words.contains(key), (page + ": " + key).c_str());
                if (text.is_string())
                    QVERIFY2(Language::placesOf(words[key]) == Language::placesOf(text), (page + ": " + key).c_str());
            }
        }
    }

    /// The check finds what is wrong with a language, each by its name.
    void theCheckFindsFaults() {
        QTemporaryDir folder;
        const fs::path data = folder.path().toStdString();
        fs::copy(dataFolder(), data, fs::copy_options::recursive);
        Json german = readJsonFile(data / "languages/de.json").value();
        german["sentences"].erase("scope"), german["sentences"].erase("why.pain");
        german["sentences"]["no.such-key"] = "nichts", german["sentences"]["close.regards"] = "{n, plural, one {x}";
        german["texts"].erase("fever");
        german["texts"]["dizziness"] = "Schwindel {seite}", german["texts"]["gone from the files"] = "weg";
        (void)writeFileAtomically(data / "languages/de.json", toText(german));
        const auto catalogue = Catalogue::load(data).value();
        const auto check = checkLanguage(*catalogue, "de").value();
        QVERIFY2(check.missingClient == (std::vector<std::string>{"scope", "fever"}),
                 QByteArray::number(qulonglong(check.missingClient.size())));
        QCOMPARE(check.missingCoach, std::vector<std::string>{"why.pain"});
        QCOMPARE(check.unused, std::vector<std::string>{"gone from the files"});
        QCOMPARE(check.wrong.size(), size_t(3));
        QCOMPARE(checkLanguage(*catalogue, "zz").error().code, Errc::NotFound);
    }

    /// Every key that the source names is in the catalogue, and none is there for nothing.
    void keysOfTheSource() {
        const auto& sentences = in("en")->sentences();
        std::set<std::string> groups, named;
        for (const auto& [key, pattern] : sentences) groups.insert(key.substr(0, key.find('.')));
        std::string source;
        for (const auto& entry : fs::recursive_directory_iterator(DEFT_SOURCE_DIR "/src"))
            if (entry.path().extension() == ".cpp" || entry.path().extension() == ".h")
                source += readFile(entry.path()).value();
        static const QRegularExpression literal(QStringLiteral("\"([a-z-]+\\.[a-z-]+)\""));
        for (auto it = literal.globalMatch(QString::fromStdString(source)); it.hasNext();)
            named.insert(it.next().captured(1).toStdString());
        for (const std::string& key : named) {
            const std::string ending = key.substr(key.find('.') + 1);
            if (groups.count(key.substr(0, key.find('.'))) && ending != "png" && ending != "pdf")
                QVERIFY2(sentences.count(key), key.c_str());
        }
        // Some are named by what a file or a check calls something.
        const auto isMade = [](const std::string& key) {
            return std::ranges::any_of(std::array{"step.", "cue-level.", "fact.view.", "fact.clip-check."},
                                       [&](const char* group) { return key.starts_with(group); });
        };
        for (const auto& [key, pattern] : sentences)
            if (key.find('.') != std::string::npos && !isMade(key))
                QVERIFY2(named.count(key) || source.find("\"" + key + "\"") != std::string::npos, key.c_str());
    }

    /// Every error that the window can show, and every other sentence that stands where it arises, is in the catalogue,
    /// and none is there for nothing. The command line and scenes to film speak English.
    void errorsOfTheSource() {
        QString source;
        for (const auto& entry : fs::recursive_directory_iterator(DEFT_SOURCE_DIR "/src")) {
            const std::string path = entry.path().string(), ending = entry.path().extension().string();
            if ((ending == ".cpp" || ending == ".h") && path.find("/cli/") == std::string::npos &&
                path.find("/figure/") == std::string::npos)
                source += QString::fromStdString(readFile(entry.path()).value());
        }
        source.remove(QRegularExpression(QStringLiteral("//[^\n]*")));
        source.remove(QRegularExpression(QStringLiteral("\"\\s*\\n\\s*\""))); // a sentence over several lines
        const QString text = QStringLiteral("\"((?:[^\"\\\\]|\\\\.)*)\"");
        std::set<std::string> said;
        const auto collect = [&](const QRegularExpression& one, const QString& in) {
            for (auto it = one.globalMatch(in); it.hasNext();) {
                QString sentence = it.next().captured(1);
                if (sentence.contains(QLatin1Char(' ')) && !sentence.startsWith(QLatin1Char(':')) &&
                    !sentence.startsWith(QLatin1Char('.')) && !sentence.startsWith(QLatin1String("--")))
                    said.insert(sentence.replace(QLatin1String("\\\""), QLatin1String("\"")).toStdString());
            }
        };
        // Patterns with places, also where one of two is chosen; then whatever is said in a call that tells an error.
        collect(QRegularExpression(text + QStringLiteral("(?=(?:\\s*:\\s*\"(?:[^\"\\\\]|\\\\.)*\")*,\\s*\\{\\{\")")),
                source);
        const QRegularExpression call(
            QStringLiteral("\\b(?:fail|complain|bad|undone|leaveOut)(\\((?:[^()\"']|\"(?:[^\"\\\\]"
                           "|\\\\.)*\"|'(?:[^'\\\\]|\\\\.)'|(?1))*\\))"));
        for (auto it = call.globalMatch(source); it.hasNext();)
            collect(QRegularExpression(text), it.next().captured(1));
        // What a sentence has a place for is given beside it.
        const QRegularExpression given(text +
                                       QStringLiteral(",\\s*(\\{(?:[^{}\"]|\"(?:[^\"\\\\]|\\\\.)*\"|(?2))*\\})"));
        int filled = 0;
        for (auto it = given.globalMatch(source); it.hasNext();) {
            const auto one = it.next();
            if (!one.captured(2).startsWith(QLatin1String("{{\""))) continue;
            for (const std::string& place : Language::placesOf(one.captured(1).toStdString()))
                QVERIFY2(one.captured(2).contains(QStringLiteral("{\"%1\",").arg(QString::fromStdString(place))),
                         qPrintable(one.captured(1)));
            ++filled;
        }
        QVERIFY(filled > 200);
        const auto& listed = in("en")->coachTexts();
        QVERIFY(said.size() > 250);
        for (const std::string& sentence : said)
            QVERIFY2(std::count(listed.begin(), listed.end(), sentence) || in("en")->texts().count(sentence) ||
                         in("en")->hasSentence(sentence),
                     sentence.c_str());
        source.replace(QLatin1String("\\\""), QLatin1String("\""));
        for (const std::string& sentence : listed)
            QVERIFY2(source.contains(QString::fromStdString(sentence)), sentence.c_str());
    }

    /// Without a catalogue an error is said as English says it, and every language has a place for what it tells.
    void errorsWithoutACatalogue() {
        for (const std::string& sentence : in("en")->coachTexts()) {
            Message m(sentence);
            for (const std::string& place : Language::placesOf(sentence))
                m.with.emplace_back(place, m.with.size() % 2 ? Argument(Amount{-2.5, 1, "s"}) : Argument("Ōta's {x}"));
            QCOMPARE(inEnglish(m), in("en")->say(m));
            QVERIFY2(in("en")->say(m) != in("de")->say(m) || !QRegularExpression(QStringLiteral("[a-z]{3} [a-z]"))
                                                                  .match(QString::fromStdString(sentence))
                                                                  .hasMatch(),
                     sentence.c_str());
            QVERIFY2(in("de")->say(m).find("Ōta's {x}") != std::string::npos || m.with.empty(), sentence.c_str());
        }
        const Message inner("a number from {low} to {high}", {{"low", 0.5}, {"high", 20}});
        const Message whole = inPlace("own.json", {"{where}: expected {expected}, found {found}",
                                                   {{"where", "/a"}, {"expected", inner}, {"found", "\"x\""}}});
        QCOMPARE(inEnglish(whole), std::string("own.json: /a: expected a number from 0.5 to 20, found \"x\""));
        QCOMPARE(in("de")->say(whole),
                 std::string("own.json: /a: erwartet: eine Zahl von 0,5 bis 20, gefunden: \"x\""));
        QCOMPARE(inEnglish({"{not a place} {x", {{"x", 1}}}), std::string("{not a place} {x"));
    }

    /// A message that was kept comes back as it was, and so does a sentence of a file of before.
    void messagesThatAreKept() {
        const Message m("fact.waits", {{"fault", Message("hip drop")},
                                       {"why", Messages{"why.pain", {"why.felt", {{"place", "back"}, {"means", 2.5}}}}},
                                       {"value", Amount{-3.25, 1, "deg", true, 0.5}},
                                       {"on", Day{sys_days(year(2031) / 5 / 14), true}}});
        QVERIFY(messageFrom(parseJson(toLine(toJson(m)), "kept").value()) == m);
        QVERIFY(messageFrom("1 of 3 holds clean") == Message("1 of 3 holds clean"));
        QVERIFY(messageFrom({{"key", 7}}) == Message("{\"key\":7}"));
        // What a file of somebody else's may hold is said as it can be.
        for (const int decimals : {-3, 7, 1000000}) {
            const Json amount = {{"value", 12.5}, {"decimals", decimals}, {"unit", "s"}};
            const Message odd = messageFrom({{"key", "held {x}"}, {"with", {{"x", amount}}}});
            const std::string said = inEnglish(odd);
            QVERIFY2(said == "held 12.5 s" || said == "held 12 s" || said == "held 13 s", said.c_str());
            QCOMPARE(in("en")->say(odd), said);
        }
        for (const Json& odd : {Json{{"value", "x"}}, Json{{"day", 3}}, Json{{"value", 1}, {"decimals", "many"}}}) {
            const Json whole = {{"key", "{n, plural, other {#"}, {"with", {{"n", odd}}}};
            QVERIFY(!in("de")->say(messageFrom(whole)).empty());
        }
    }

    /// What the clip checks ask for is known to the languages.
    void whatIsAskedOfAPoorClip() {
        std::string source;
        for (const char* file : {"checks/clip_check.cpp", "proposals/check_before.cpp", "review/clip_facts.cpp"})
            source += readFile(fs::path(DEFT_SOURCE_DIR "/src/core") / file).value();
        static const QRegularExpression asked(QStringLiteral("\"((?:Please|More|Tight|Mark the|Look) [^\"]*\\.)\""));
        int count = 0;
        for (auto it = asked.globalMatch(QString::fromStdString(source)); it.hasNext(); ++count) {
            const std::string sentence = it.next().captured(1).toStdString();
            QVERIFY2(in("en")->texts().count(sentence) && in("de")->text(sentence) != sentence, sentence.c_str());
        }
        QVERIFY(count >= 15);
    }

    /// What a clip is checked for, and from where it is filmed, is told in the coach's language.
    void namesOfChecksAndViews() {
        std::string source;
        for (const char* file : {"checks/clip_check.cpp", "proposals/check_before.cpp", "review/clip_facts.cpp"})
            source += readFile(fs::path(DEFT_SOURCE_DIR "/src/core") / file).value();
        static const QRegularExpression check(QStringLiteral("gradedCheck\\(\\s*\"([a-z-]+)\""));
        std::set<std::string> keys;
        for (auto it = check.globalMatch(QString::fromStdString(source)); it.hasNext();)
            keys.insert("fact.clip-check." + it.next().captured(1).toStdString());
        QVERIFY(keys.size() >= 10);
        for (const std::string& id : shipped().exerciseIds())
        {
            const Exercise e = shipped().exercise(id).value();
            for (const std::string& view : e.views) keys.insert("fact.view." + view);
        }
        for (const std::string& key : keys)
            QVERIFY2(in("en")->hasSentence(key) && in("de")->hasSentence(key), key.c_str());
    }

    /// Dictionaries in whatever encoding they are kept; both sides of the Atlantic are right.
    void spelling() {
        const auto german = Spelling::of("de"), english = Spelling::of("en");
        QVERIFY(german && english);
        QVERIFY(german->isRight("Rückenlage") && !german->isRight("Rükenlage"));
        QVERIFY(std::ranges::count(german->suggestions("Rükenlage"), std::string("Rückenlage")) == 1);
        QVERIFY(english->isRight("colour") && english->isRight("color") && !english->isRight("colur"));
        QVERIFY(Spelling::of("fr")->isRight("l’épaule") && Spelling::of("es")->isRight("cadera"));
        QVERIFY(!Spelling::of("xx"));
        QTemporaryDir none;
        QVERIFY(!Spelling::of("de", none.path().toStdString()));
    }

    /// What clients read is spelt right in their language, as Debian's Hunspell dictionaries and the language's own list
    /// (words of the trade, short commands) have it: every sentence of the catalogues and of the exercises.
    void everySentenceIsSpeltRight() {
        static const QRegularExpression place(QStringLiteral("\\{[^{}]*\\}")),
            word(QStringLiteral("\\p{L}+(?:[’']\\p{L}+)*"));
        QStringList all;
        for (const char* code : {"de", "en", "es", "fr"}) {
            const auto& right = in(code)->spelling();
            const auto spelling = Spelling::of(code);
            QVERIFY(spelling);
            const auto look = [&](QString text) {
                for (qsizetype before = -1; before != text.size();) before = text.size(), text.replace(place, " ");
                for (auto it = word.globalMatch(text); it.hasNext();) {
                    const std::string w = it.next().captured().toStdString();
                    if (!right.count(w) && !spelling->isRight(w)) all << QString::fromStdString(code + (": " + w));
                }
            };
            const auto& coach = in("en")->coachTexts();
            for (const auto& [key, text] : in(code)->texts())
                if (std::find(coach.begin(), coach.end(), key) == coach.end()) look(QString::fromStdString(text));
            for (const auto& [key, text] : in(code)->sentences())
                if (text.find("plural") == std::string::npos && text.find("select") == std::string::npos &&
                    !key.starts_with("date."))
                    look(QString::fromStdString(text));
            // What is listed is no word of the dictionary already.
            for (const std::string& w : right)
                if (spelling->isRight(w)) all << QString::fromStdString(code + (": needlessly " + w));
        }
        all.removeDuplicates();
        for (const QString& w : all) qWarning("%s", qPrintable(w));
        QVERIFY(all.isEmpty());
    }

    /// The sheet of every version in every language: whole, nothing left open, nothing in English.
    void sheetsInEveryLanguage() {
        for (const std::string& id : shipped().exerciseIds()) {
            const Exercise e = shipped().exercise(id).value();
            for (const Version& version : e.ladder)
                for (const char* code : {"de", "es", "fr"}) {
                    Target target = firstTarget(shipped(), e);
                    target.version = version.id;
                    const auto sheet =
                        exerciseSheet(shipped(), e, target, {"Wim Dekker", "Jonna Lind", {"hypertension"}, {}, code});
                    QVERIFY2(sheet.has_value(), (id + " " + version.id).c_str());
                    const std::string text = answerText(sheet->letter);
                    const std::string where = id + " " + version.id + " " + code + ": ";
                    QVERIFY2(text.find('{') == std::string::npos && text.find('|') == std::string::npos,
                             (where + text).c_str());
                    QVERIFY2(englishIn(text).isEmpty(), (where + englishIn(text).toStdString() + "\n" + text).c_str());
                    QVERIFY(answerHtml(sheet->letter, {}).find(std::string("<html lang=\"") + code) !=
                            std::string::npos);
                }
        }
    }
};

QTEST_APPLESS_MAIN(LanguageTest)
#include "language_test.moc"
