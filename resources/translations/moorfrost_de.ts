<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en">
<context>
    <name>ChangeTexts</name>
    <message>
        <source>not kept</source>
        <translation>wird nicht geführt</translation>
    </message>
    <message>
        <source>there is none</source>
        <translation>es gibt keins</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>with others</source>
        <translation>mit anderen</translation>
    </message>
    <message numerus="yes">
        <source>from %n other(s)</source>
        <translation>
            <numerusform>von %n anderen</numerusform>
            <numerusform>von %n anderen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s)</source>
        <translation>
            <numerusform>%n Bild</numerusform>
            <numerusform>%n Bilder</numerusform>
        </translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message numerus="yes">
        <source>%n share(s): %1</source>
        <translation>
            <numerusform>%n Anteil: %1</numerusform>
            <numerusform>%n Anteile: %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation>
            <numerusform>%n Wert</numerusform>
            <numerusform>%n Werte</numerusform>
        </translation>
    </message>
    <message>
        <source>What sources say</source>
        <translation>Was Quellen sagen</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>In a set</source>
        <translation>In einer Gruppe</translation>
    </message>
    <message>
        <source>Kept apart</source>
        <translation>Getrennt gehalten</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <source>of no recording</source>
        <translation>von keiner Aufnahme</translation>
    </message>
    <message>
        <source>recording %1</source>
        <translation>Aufnahme %1</translation>
    </message>
    <message>
        <source>found by what the files are</source>
        <translation>gefunden nach dem, was die Dateien sind</translation>
    </message>
    <message>
        <source>chosen by hand</source>
        <translation>von Hand gewählt</translation>
    </message>
    <message>
        <source>forgotten</source>
        <translation>vergessen</translation>
    </message>
    <message>
        <source>known, absent</source>
        <translation>bekannt, nicht da</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message numerus="yes">
        <source>%n in it</source>
        <translation>
            <numerusform>%n darin</numerusform>
            <numerusform>%n darin</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>nothing is kept of it</source>
        <translation>davon wird nichts geführt</translation>
    </message>
    <message>
        <source>kept</source>
        <translation>geführt</translation>
    </message>
    <message>
        <source>as the files tell</source>
        <translation>wie die Dateien es sagen</translation>
    </message>
    <message>
        <source>no</source>
        <translation>nein</translation>
    </message>
    <message>
        <source>yes</source>
        <translation>ja</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Belongs to</source>
        <translation>Gehört zu</translation>
    </message>
    <message>
        <source>Best file</source>
        <translation>Beste Datei</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Collection</source>
        <translation>Sammlung</translation>
    </message>
    <message>
        <source>What stands in it</source>
        <translation>Was darin steht</translation>
    </message>
    <message>
        <source>From place %1 on</source>
        <translation>Ab Stelle %1</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Veröffentlichung</translation>
    </message>
    <message>
        <source>Tracks of medium %1</source>
        <translation>Stücke von Tonträger %1</translation>
    </message>
    <message>
        <source>Is of the release</source>
        <translation>Gehört zur Veröffentlichung</translation>
    </message>
    <message>
        <source>Card</source>
        <translation>Karte</translation>
    </message>
</context>
<context>
    <name>CustomFieldDialog</name>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Number</source>
        <translation>Zahl</translation>
    </message>
    <message>
        <source>Date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>Yes or no</source>
        <translation>Ja oder nein</translation>
    </message>
    <message>
        <source>Choice from a list</source>
        <translation>Auswahl aus einer Liste</translation>
    </message>
</context>
<context>
    <name>FamilyTexts</name>
    <message>
        <source>Versions</source>
        <translation>Fassungen</translation>
    </message>
    <message>
        <source>“%1” has versions. What goes along?</source>
        <translation>Zu „%1“ gibt es Fassungen. Was geht mit?</translation>
    </message>
    <message numerus="yes">
        <source>%n of the tracks have versions. What goes along?</source>
        <translation>
            <numerusform>Zu %n der Stücke gibt es Fassungen. Was geht mit?</numerusform>
            <numerusform>Zu %n der Stücke gibt es Fassungen. Was geht mit?</numerusform>
        </translation>
    </message>
    <message>
        <source>The lead only</source>
        <translation>Nur die Leitfassung</translation>
    </message>
    <message>
        <source>The lead with its versions (%1 more)</source>
        <translation>Die Leitfassung mit ihren Fassungen (%1 mehr)</translation>
    </message>
    <message>
        <source>The lead with its versions and stems (%1 more)</source>
        <translation>Die Leitfassung mit Fassungen und Stems (%1 mehr)</translation>
    </message>
    <message>
        <source>Always so, without asking</source>
        <translation>Immer so, ohne zu fragen</translation>
    </message>
    <message>
        <source>To be changed in the menu Library, Versions in lists</source>
        <translation>Zu ändern im Menü Bibliothek, Fassungen in Listen</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzufügen</translation>
    </message>
</context>
<context>
    <name>FileTable</name>
    <message>
        <source>Other picture</source>
        <translation>Anderes Bild</translation>
    </message>
    <message>
        <source>File icon</source>
        <translation>Dateisymbol</translation>
    </message>
    <message>
        <source>Other file icon</source>
        <translation>Anderes Dateisymbol</translation>
    </message>
    <message>
        <source>Front cover</source>
        <translation>Vorderseite</translation>
    </message>
    <message>
        <source>Back cover</source>
        <translation>Rückseite</translation>
    </message>
    <message>
        <source>Booklet page</source>
        <translation>Seite des Booklets</translation>
    </message>
    <message>
        <source>Medium</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Lead artist</source>
        <translation>Hauptinterpret</translation>
    </message>
    <message>
        <source>Artist picture</source>
        <translation>Bild des Interpreten</translation>
    </message>
    <message>
        <source>Conductor picture</source>
        <translation>Bild des Dirigenten</translation>
    </message>
    <message>
        <source>Band</source>
        <translation>Band</translation>
    </message>
    <message>
        <source>Composer picture</source>
        <translation>Bild des Komponisten</translation>
    </message>
    <message>
        <source>Lyricist picture</source>
        <translation>Bild des Textdichters</translation>
    </message>
    <message>
        <source>Recording place</source>
        <translation>Aufnahmeort</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>Performance</source>
        <translation>Beim Auftritt</translation>
    </message>
    <message>
        <source>Screen capture</source>
        <translation>Bildschirmfoto</translation>
    </message>
    <message>
        <source>Fish</source>
        <translation>Fisch</translation>
    </message>
    <message>
        <source>Illustration</source>
        <translation>Illustration</translation>
    </message>
    <message>
        <source>Artist logo</source>
        <translation>Logo des Interpreten</translation>
    </message>
    <message>
        <source>Publisher logo</source>
        <translation>Logo des Verlags</translation>
    </message>
</context>
<context>
    <name>LibraryMove</name>
    <message>
        <source>The library was not copied.</source>
        <translation>Die Bibliothek wurde nicht kopiert.</translation>
    </message>
    <message>
        <source>The library was copied to %1.</source>
        <translation>Die Bibliothek wurde nach %1 kopiert.</translation>
    </message>
    <message>
        <source>The library was not brought.</source>
        <translation>Die Bibliothek wurde nicht geholt.</translation>
    </message>
    <message>
        <source>The library was not moved.</source>
        <translation>Die Bibliothek wurde nicht umgezogen.</translation>
    </message>
    <message>
        <source>The library of the other machine is here.</source>
        <translation>Die Bibliothek des anderen Rechners ist da.</translation>
    </message>
    <message>
        <source>The library was moved to %1.</source>
        <translation>Die Bibliothek ist nach %1 umgezogen.</translation>
    </message>
    <message>
        <source>The old one is still at %1: %2</source>
        <translation>Die alte ist noch unter %1: %2</translation>
    </message>
    <message>
        <source>The old one is in the trash.</source>
        <translation>Die alte ist im Papierkorb.</translation>
    </message>
    <message>
        <source>The library is not there</source>
        <translation>Die Bibliothek ist nicht da</translation>
    </message>
    <message>
        <source>Connect its disk and try again. Begun anew, there is an empty library in the usual place; the other one stays as it is, and can be brought back in Settings.</source>
        <translation>Verbinden Sie ihre Platte und versuchen Sie es noch einmal. Neu begonnen, gibt es eine leere Bibliothek am üblichen Platz; die andere bleibt, wie sie ist, und kann in den Einstellungen wieder geholt werden.</translation>
    </message>
    <message>
        <source>Try again</source>
        <translation>Noch einmal versuchen</translation>
    </message>
    <message>
        <source>Begin anew</source>
        <translation>Neu beginnen</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>On the other machine choose “Bring one from another machine” in Settings, under The library, or at the first start.</source>
        <translation>Wählen Sie auf dem anderen Rechner „Eine von einem anderen Rechner holen“ in den Einstellungen, unter Die Bibliothek, oder beim ersten Start.</translation>
    </message>
</context>
<context>
    <name>PictureCells</name>
    <message>
        <source>none</source>
        <translation>keins</translation>
    </message>
</context>
<context>
    <name>Plans</name>
    <message>
        <source>Artist / year album</source>
        <translation>Interpret / Jahr Album</translation>
    </message>
    <message>
        <source>Artist / album</source>
        <translation>Interpret / Album</translation>
    </message>
    <message>
        <source>Label / catalogue number</source>
        <translation>Label / Katalognummer</translation>
    </message>
    <message>
        <source>One folder: artist - title</source>
        <translation>Ein Ordner: Interpret - Titel</translation>
    </message>
</context>
<context>
    <name>QDialog</name>
    <message>
        <source>Take as drafts</source>
        <translation>Als Entwürfe übernehmen</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
</context>
<context>
    <name>QLineEdit</name>
    <message>
        <source>Blank the line</source>
        <translation>Zeile leeren</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>absent</source>
        <translation>nicht da</translation>
    </message>
    <message>
        <source>Note a use</source>
        <translation>Verwendung notieren</translation>
    </message>
    <message>
        <source>film, programme, delivery</source>
        <translation>Film, Sendung, Lieferung</translation>
    </message>
    <message>
        <source>Note it</source>
        <translation>Notieren</translation>
    </message>
    <message>
        <source>Used in</source>
        <translation>Verwendet in</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Wann</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
</context>
<context>
    <name>Rip</name>
    <message>
        <source>From discs</source>
        <translation>Von Discs</translation>
    </message>
</context>
<context>
    <name>RowsOutView</name>
    <message>
        <source>Comma</source>
        <translation>Komma</translation>
    </message>
    <message>
        <source>Semicolon</source>
        <translation>Semikolon</translation>
    </message>
    <message>
        <source>Tab</source>
        <translation>Tabulator</translation>
    </message>
    <message>
        <source>Vertical bar</source>
        <translation>Senkrechter Strich</translation>
    </message>
    <message>
        <source>Colon</source>
        <translation>Doppelpunkt</translation>
    </message>
</context>
<context>
    <name>SettleTexts</name>
    <message>
        <source>Looking for versions</source>
        <translation>Suche nach Fassungen</translation>
    </message>
    <message>
        <source>No names in the library look like versions of one recording.</source>
        <translation>Keine Namen der Bibliothek sehen nach Fassungen einer Aufnahme aus.</translation>
    </message>
</context>
<context>
    <name>Tally</name>
    <message>
        <source>met</source>
        <translation>erfüllt</translation>
    </message>
    <message>
        <source>partly</source>
        <translation>teilweise</translation>
    </message>
    <message>
        <source>not met</source>
        <translation>nicht erfüllt</translation>
    </message>
    <message>
        <source>not asked</source>
        <translation>nicht gefragt</translation>
    </message>
</context>
<context>
    <name>VersionsDialog</name>
    <message>
        <source>lead version</source>
        <translation>Leitfassung</translation>
    </message>
    <message>
        <source>not told</source>
        <translation>nicht gesagt</translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>Absent files</source>
        <translation>Dateien, die nicht da sind</translation>
    </message>
    <message>
        <source>Agreements that end</source>
        <translation>Vereinbarungen, die enden</translation>
    </message>
    <message>
        <source>Album</source>
        <translation>Album</translation>
    </message>
    <message>
        <source>Album artist</source>
        <translation>Albuminterpret</translation>
    </message>
    <message>
        <source>Album artist sort</source>
        <translation>Albuminterpret, Sortierform</translation>
    </message>
    <message>
        <source>Album disagrees with itself</source>
        <translation>Album widerspricht sich</translation>
    </message>
    <message>
        <source>Album gain</source>
        <translation>Album Gain</translation>
    </message>
    <message>
        <source>Album peak</source>
        <translation>Album Peak</translation>
    </message>
    <message>
        <source>Album sort</source>
        <translation>Album, Sortierform</translation>
    </message>
    <message>
        <source>Another label's ISRC</source>
        <translation>ISRC eines anderen Labels</translation>
    </message>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>Artist sort</source>
        <translation>Interpret, Sortierform</translation>
    </message>
    <message>
        <source>Barcode</source>
        <translation>Strichcode</translation>
    </message>
    <message>
        <source>Barcodes differ</source>
        <translation>Strichcodes verschieden</translation>
    </message>
    <message>
        <source>Broken off</source>
        <translation>Abgebrochen</translation>
    </message>
    <message>
        <source>Cannot be right</source>
        <translation>Kann nicht stimmen</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Catalogue number</source>
        <translation>Katalognummer</translation>
    </message>
    <message>
        <source>Clipped</source>
        <translation>Übersteuert</translation>
    </message>
    <message>
        <source>Coded with loss before</source>
        <translation>Früher verlustbehaftet kodiert</translation>
    </message>
    <message>
        <source>Codes</source>
        <translation>Codes</translation>
    </message>
    <message>
        <source>Codes and shares</source>
        <translation>Codes und Anteile</translation>
    </message>
    <message>
        <source>Comment</source>
        <translation>Kommentar</translation>
    </message>
    <message>
        <source>Compilation</source>
        <translation>Zusammenstellung</translation>
    </message>
    <message>
        <source>Composer</source>
        <translation>Komponist</translation>
    </message>
    <message>
        <source>Composer sort</source>
        <translation>Komponist, Sortierform</translation>
    </message>
    <message>
        <source>Conductor</source>
        <translation>Dirigent</translation>
    </message>
    <message>
        <source>Contacts</source>
        <translation>Kontakte</translation>
    </message>
    <message>
        <source>Copyright</source>
        <translation>Copyright</translation>
    </message>
    <message>
        <source>Country</source>
        <translation>Land</translation>
    </message>
    <message>
        <source>Cue sheet</source>
        <translation>Cue-Sheet</translation>
    </message>
    <message>
        <source>Damaged files</source>
        <translation>Beschädigte Dateien</translation>
    </message>
    <message>
        <source>Date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>Date of a reissue</source>
        <translation>Datum einer Neuauflage</translation>
    </message>
    <message>
        <source>Dates that cannot be</source>
        <translation>Unmögliche Daten</translation>
    </message>
    <message>
        <source>Disc</source>
        <translation>Disc</translation>
    </message>
    <message>
        <source>Discs</source>
        <translation>Discs</translation>
    </message>
    <message>
        <source>Drop-outs</source>
        <translation>Aussetzer</translation>
    </message>
    <message>
        <source>Edition</source>
        <translation>Ausgabe</translation>
    </message>
    <message>
        <source>Encoded by</source>
        <translation>Kodiert von</translation>
    </message>
    <message>
        <source>Engineer</source>
        <translation>Toningenieur</translation>
    </message>
    <message>
        <source>Enlarged</source>
        <translation>Vergrößert</translation>
    </message>
    <message>
        <source>Everything</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>Facts</source>
        <translation>Angaben</translation>
    </message>
    <message>
        <source>Facts and people</source>
        <translation>Angaben und Personen</translation>
    </message>
    <message>
        <source>First released</source>
        <translation>Zuerst erschienen</translation>
    </message>
    <message>
        <source>Fixity that changed</source>
        <translation>Geänderte Fixity</translation>
    </message>
    <message>
        <source>For a licence request</source>
        <translation>Für eine Lizenzanfrage</translation>
    </message>
    <message>
        <source>For a playout system</source>
        <translation>Für ein Sendesystem</translation>
    </message>
    <message>
        <source>For another machine</source>
        <translation>Für einen anderen Rechner</translation>
    </message>
    <message>
        <source>For any archive</source>
        <translation>Für jedes Archiv</translation>
    </message>
    <message>
        <source>For nearly every player</source>
        <translation>Für fast jeden Player</translation>
    </message>
    <message>
        <source>Front covers differ</source>
        <translation>Vorderseiten verschieden</translation>
    </message>
    <message>
        <source>Genre</source>
        <translation>Genre</translation>
    </message>
    <message>
        <source>Grouping</source>
        <translation>Gruppierung</translation>
    </message>
    <message>
        <source>Hum</source>
        <translation>Brummen</translation>
    </message>
    <message>
        <source>ISRC</source>
        <translation>ISRC</translation>
    </message>
    <message>
        <source>ISRC, ISWC, catalogue number</source>
        <translation>ISRC, ISWC, Katalognummer</translation>
    </message>
    <message>
        <source>ISWC</source>
        <translation>ISWC</translation>
    </message>
    <message>
        <source>Keeping</source>
        <translation>Aufheben</translation>
    </message>
    <message>
        <source>Key</source>
        <translation>Tonart</translation>
    </message>
    <message>
        <source>Keywords and description</source>
        <translation>Schlagwörter und Beschreibung</translation>
    </message>
    <message>
        <source>Label</source>
        <translation>Label</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>Links</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Loudness not kept</source>
        <translation>Lautheit nicht abgelegt</translation>
    </message>
    <message>
        <source>Lyricist</source>
        <translation>Textdichter</translation>
    </message>
    <message>
        <source>Lyrics</source>
        <translation>Liedtext</translation>
    </message>
    <message>
        <source>Mood</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>Names and places off their plan</source>
        <translation>Namen und Plätze abseits ihres Plans</translation>
    </message>
    <message>
        <source>Nearly the same value</source>
        <translation>Fast derselbe Wert</translation>
    </message>
    <message>
        <source>No picture</source>
        <translation>Kein Bild</translation>
    </message>
    <message>
        <source>Numbers missing or twice</source>
        <translation>Nummern fehlen oder doppelt</translation>
    </message>
    <message>
        <source>Numbers of parties and works</source>
        <translation>Nummern von Beteiligten und Werken</translation>
    </message>
    <message>
        <source>Offset of direct current</source>
        <translation>Gleichspannungsversatz</translation>
    </message>
    <message>
        <source>One ISRC, two sounds</source>
        <translation>Ein ISRC, zwei Klänge</translation>
    </message>
    <message>
        <source>One channel turned</source>
        <translation>Ein Kanal verpolt</translation>
    </message>
    <message>
        <source>One channel twice or missing</source>
        <translation>Ein Kanal doppelt oder fehlend</translation>
    </message>
    <message>
        <source>Only to listen</source>
        <translation>Nur zum Anhören</translation>
    </message>
    <message>
        <source>Original date</source>
        <translation>Ursprüngliches Datum</translation>
    </message>
    <message>
        <source>Owners of the master</source>
        <translation>Inhaber des Masters</translation>
    </message>
    <message>
        <source>Packaging</source>
        <translation>Verpackung</translation>
    </message>
    <message>
        <source>Peaks between samples</source>
        <translation>Spitzen zwischen Samples</translation>
    </message>
    <message>
        <source>Performer</source>
        <translation>Mitwirkende</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Producer</source>
        <translation>Produzent</translation>
    </message>
    <message>
        <source>Publisher</source>
        <translation>Verlag</translation>
    </message>
    <message>
        <source>Raised from a lower rate</source>
        <translation>Von niedrigerer Rate hochgerechnet</translation>
    </message>
    <message>
        <source>Recording details</source>
        <translation>Angaben zur Aufnahme</translation>
    </message>
    <message>
        <source>Released</source>
        <translation>Erschienen</translation>
    </message>
    <message>
        <source>Remixer</source>
        <translation>Remixer</translation>
    </message>
    <message>
        <source>Rights</source>
        <translation>Rechte</translation>
    </message>
    <message>
        <source>Script</source>
        <translation>Schrift</translation>
    </message>
    <message>
        <source>Shares do not add up</source>
        <translation>Anteile gehen nicht auf</translation>
    </message>
    <message>
        <source>Silence at the ends</source>
        <translation>Stille an den Enden</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>Standard not met</source>
        <translation>Standard nicht erfüllt</translation>
    </message>
    <message>
        <source>Status</source>
        <translation>Status</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>Text in a wrong encoding</source>
        <translation>Text in falscher Kodierung</translation>
    </message>
    <message>
        <source>The order of the album cannot be told, or a track is missing.</source>
        <translation>Die Reihenfolge des Albums ist nicht zu erkennen, oder ein Stück fehlt.</translation>
    </message>
    <message>
        <source>The same sound twice</source>
        <translation>Derselbe Klang zweimal</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Title sort</source>
        <translation>Titel, Sortierform</translation>
    </message>
    <message>
        <source>To listen and comment</source>
        <translation>Zum Anhören und Kommentieren</translation>
    </message>
    <message>
        <source>To listen to</source>
        <translation>Zum Anhören</translation>
    </message>
    <message>
        <source>Too heavy</source>
        <translation>Zu schwer</translation>
    </message>
    <message>
        <source>Too small</source>
        <translation>Zu klein</translation>
    </message>
    <message>
        <source>Track</source>
        <translation>Nummer</translation>
    </message>
    <message>
        <source>Track gain</source>
        <translation>Track Gain</translation>
    </message>
    <message>
        <source>Track list</source>
        <translation>Liste der Stücke</translation>
    </message>
    <message>
        <source>Track peak</source>
        <translation>Track Peak</translation>
    </message>
    <message>
        <source>Tracks</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>Two ISRCs, one recording</source>
        <translation>Zwei ISRCs, eine Aufnahme</translation>
    </message>
    <message>
        <source>Unused bits</source>
        <translation>Ungenutzte Bits</translation>
    </message>
    <message>
        <source>Versions</source>
        <translation>Fassungen</translation>
    </message>
    <message>
        <source>Website</source>
        <translation>Website</translation>
    </message>
    <message>
        <source>Where to listen first</source>
        <translation>Wo zuerst hineinhören</translation>
    </message>
    <message>
        <source>With stems and originals</source>
        <translation>Mit Stems und Originalen</translation>
    </message>
    <message>
        <source>Words</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Words in the wrong field</source>
        <translation>Wörter im falschen Feld</translation>
    </message>
    <message>
        <source>Writers and publishers</source>
        <translation>Urheber und Verlage</translation>
    </message>
    <message>
        <source>XSPF</source>
        <translation>XSPF</translation>
    </message>
    <message>
        <source>all verses</source>
        <translation>alle Strophen</translation>
    </message>
    <message>
        <source>artist, release, length, tempo, key</source>
        <translation>Interpret, Veröffentlichung, Länge, Tempo, Tonart</translation>
    </message>
    <message>
        <source>for licences</source>
        <translation>für Lizenzen</translation>
    </message>
    <message>
        <source>names, numbers, shares</source>
        <translation>Namen, Nummern, Anteile</translation>
    </message>
    <message>
        <source>names, shares</source>
        <translation>Namen, Anteile</translation>
    </message>
    <message>
        <source>of the family, stems</source>
        <translation>aus der Familie, Stems</translation>
    </message>
    <message>
        <source>pages</source>
        <translation>Seiten</translation>
    </message>
    <message>
        <source>places that were marked</source>
        <translation>markierte Stellen</translation>
    </message>
    <message>
        <source>players, dates, places</source>
        <translation>Mitwirkende, Daten, Orte</translation>
    </message>
    <message>
        <source>the cover, and who made it</source>
        <translation>das Cover, und wer es gemacht hat</translation>
    </message>
    <message>
        <source>what it is like</source>
        <translation>wie es ist</translation>
    </message>
    <message>
        <source>Entry</source>
        <translation>Eintrag</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Pips</source>
        <translation>Zeitzeichen</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>above</source>
        <translation>oberhalb</translation>
    </message>
    <message>
        <source>agreement</source>
        <translation>Vereinbarung</translation>
    </message>
    <message>
        <source>album</source>
        <translation>Album</translation>
    </message>
    <message>
        <source>album artist</source>
        <translation>Albuminterpret</translation>
    </message>
    <message>
        <source>album artist sort</source>
        <translation>Albuminterpret (Sortierform)</translation>
    </message>
    <message>
        <source>album gain</source>
        <translation>Albumpegel</translation>
    </message>
    <message>
        <source>album peak</source>
        <translation>Albumspitze</translation>
    </message>
    <message>
        <source>album sort</source>
        <translation>Album (Sortierform)</translation>
    </message>
    <message>
        <source>all</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>another</source>
        <translation>ein anderes</translation>
    </message>
    <message>
        <source>artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>artist sort</source>
        <translation>Interpret (Sortierform)</translation>
    </message>
    <message>
        <source>audit</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>barcode</source>
        <translation>Strichcode</translation>
    </message>
    <message>
        <source>begins</source>
        <translation>beginnt</translation>
    </message>
    <message>
        <source>below</source>
        <translation>unterhalb</translation>
    </message>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>by hand</source>
        <translation>von Hand</translation>
    </message>
    <message>
        <source>carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>code looked up</source>
        <translation>Code nachgeschlagen</translation>
    </message>
    <message>
        <source>comment</source>
        <translation>Kommentar</translation>
    </message>
    <message>
        <source>compilation</source>
        <translation>Zusammenstellung</translation>
    </message>
    <message>
        <source>composer</source>
        <translation>Komponist</translation>
    </message>
    <message>
        <source>composer sort</source>
        <translation>Komponist (Sortierform)</translation>
    </message>
    <message>
        <source>conductor</source>
        <translation>Dirigent</translation>
    </message>
    <message>
        <source>copy</source>
        <translation>kopieren</translation>
    </message>
    <message>
        <source>copyright</source>
        <translation>Copyright</translation>
    </message>
    <message>
        <source>country</source>
        <translation>Land</translation>
    </message>
    <message>
        <source>date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>disc</source>
        <translation>Disc</translation>
    </message>
    <message>
        <source>discs</source>
        <translation>Discs</translation>
    </message>
    <message>
        <source>earlier</source>
        <translation>früher</translation>
    </message>
    <message>
        <source>encoded by</source>
        <translation>kodiert von</translation>
    </message>
    <message>
        <source>ends</source>
        <translation>endet</translation>
    </message>
    <message>
        <source>engineer</source>
        <translation>Toningenieur</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>genre</source>
        <translation>Genre</translation>
    </message>
    <message>
        <source>grouping</source>
        <translation>Gruppierung</translation>
    </message>
    <message>
        <source>here</source>
        <translation>hier</translation>
    </message>
    <message>
        <source>key</source>
        <translation>Tonart</translation>
    </message>
    <message>
        <source>known</source>
        <translation>bekannt</translation>
    </message>
    <message>
        <source>label</source>
        <translation>Label</translation>
    </message>
    <message>
        <source>language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>later</source>
        <translation>später</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>list</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>longer</source>
        <translation>länger</translation>
    </message>
    <message>
        <source>lyricist</source>
        <translation>Textdichter</translation>
    </message>
    <message>
        <source>lyrics</source>
        <translation>Liedtext</translation>
    </message>
    <message>
        <source>master</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>mirrored</source>
        <translation>gespiegelt</translation>
    </message>
    <message>
        <source>mono</source>
        <translation>mono</translation>
    </message>
    <message>
        <source>mood</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>move</source>
        <translation>verschieben</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>no</source>
        <translation>nein</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>number only</source>
        <translation>nur die Nummer</translation>
    </message>
    <message>
        <source>one</source>
        <translation>eine</translation>
    </message>
    <message>
        <source>organisation</source>
        <translation>Organisation</translation>
    </message>
    <message>
        <source>original date</source>
        <translation>ursprüngliches Datum</translation>
    </message>
    <message>
        <source>other</source>
        <translation>andere</translation>
    </message>
    <message>
        <source>others</source>
        <translation>andere</translation>
    </message>
    <message>
        <source>parties</source>
        <translation>Personen</translation>
    </message>
    <message>
        <source>party</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>pasted</source>
        <translation>eingefügt</translation>
    </message>
    <message>
        <source>performer</source>
        <translation>Mitwirkender</translation>
    </message>
    <message>
        <source>person</source>
        <translation>Person</translation>
    </message>
    <message>
        <source>plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>producer</source>
        <translation>Produzent</translation>
    </message>
    <message>
        <source>publisher</source>
        <translation>Verlag</translation>
    </message>
    <message>
        <source>publishers</source>
        <translation>Verlage</translation>
    </message>
    <message>
        <source>read from the name</source>
        <translation>aus dem Namen gelesen</translation>
    </message>
    <message>
        <source>remixer</source>
        <translation>Remixer</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>script</source>
        <translation>Schrift</translation>
    </message>
    <message>
        <source>search</source>
        <translation>Suche</translation>
    </message>
    <message>
        <source>shorter</source>
        <translation>kürzer</translation>
    </message>
    <message>
        <source>silence</source>
        <translation>Stille</translation>
    </message>
    <message>
        <source>silent</source>
        <translation>still</translation>
    </message>
    <message>
        <source>song</source>
        <translation>Lied</translation>
    </message>
    <message>
        <source>spelled</source>
        <translation>geschrieben</translation>
    </message>
    <message>
        <source>stereo</source>
        <translation>stereo</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>title sort</source>
        <translation>Titel (Sortierform)</translation>
    </message>
    <message>
        <source>track</source>
        <translation>Stück</translation>
    </message>
    <message>
        <source>track gain</source>
        <translation>Stückpegel</translation>
    </message>
    <message>
        <source>track peak</source>
        <translation>Stückspitze</translation>
    </message>
    <message>
        <source>tracks</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>twice</source>
        <translation>zweimal</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>getippt</translation>
    </message>
    <message>
        <source>unknown</source>
        <translation>unbekannt</translation>
    </message>
    <message>
        <source>website</source>
        <translation>Webseite</translation>
    </message>
    <message>
        <source>works</source>
        <translation>Werke</translation>
    </message>
    <message>
        <source>writers</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>written</source>
        <translation>geschrieben</translation>
    </message>
    <message>
        <source>yes</source>
        <translation>ja</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
    <message>
        <source>At</source>
        <translation>Bei</translation>
    </message>
    <message>
        <source>Blank</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>By</source>
        <translation>Um</translation>
    </message>
    <message>
        <source>Casing</source>
        <translation>Groß und klein</translation>
    </message>
    <message>
        <source>Dates</source>
        <translation>Daten</translation>
    </message>
    <message>
        <source>Digits</source>
        <translation>Ziffern</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>Fields</source>
        <translation>Felder</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>In</source>
        <translation>In</translation>
    </message>
    <message>
        <source>Into</source>
        <translation>In</translation>
    </message>
    <message>
        <source>Join</source>
        <translation>Zusammenfügen</translation>
    </message>
    <message>
        <source>Move</source>
        <translation>Verschieben</translation>
    </message>
    <message>
        <source>Never</source>
        <translation>Nie</translation>
    </message>
    <message>
        <source>Of</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>Put</source>
        <translation>Setzen</translation>
    </message>
    <message>
        <source>Split</source>
        <translation>Teilen</translation>
    </message>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Tidy</source>
        <translation>Aufräumen</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Nach</translation>
    </message>
    <message>
        <source>With</source>
        <translation>Mit</translation>
    </message>
    <message>
        <source>Year-month-day</source>
        <translation>Jahr-Monat-Tag</translation>
    </message>
    <message>
        <source>Czech</source>
        <translation>Tschechisch</translation>
    </message>
    <message>
        <source>Danish</source>
        <translation>Dänisch</translation>
    </message>
    <message>
        <source>Dutch</source>
        <translation>Niederländisch</translation>
    </message>
    <message>
        <source>English</source>
        <translation>Englisch</translation>
    </message>
    <message>
        <source>Finnish</source>
        <translation>Finnisch</translation>
    </message>
    <message>
        <source>French</source>
        <translation>Französisch</translation>
    </message>
    <message>
        <source>German</source>
        <translation>Deutsch</translation>
    </message>
    <message>
        <source>Icelandic</source>
        <translation>Isländisch</translation>
    </message>
    <message>
        <source>Italian</source>
        <translation>Italienisch</translation>
    </message>
    <message>
        <source>Norwegian</source>
        <translation>Norwegisch</translation>
    </message>
    <message>
        <source>Polish</source>
        <translation>Polnisch</translation>
    </message>
    <message>
        <source>Portuguese</source>
        <translation>Portugiesisch</translation>
    </message>
    <message>
        <source>Russian</source>
        <translation>Russisch</translation>
    </message>
    <message>
        <source>Spanish</source>
        <translation>Spanisch</translation>
    </message>
    <message>
        <source>Swedish</source>
        <translation>Schwedisch</translation>
    </message>
    <message>
        <source>Turkish</source>
        <translation>Türkisch</translation>
    </message>
    <message>
        <source>lower</source>
        <translation>klein</translation>
    </message>
    <message>
        <source>skip</source>
        <translation>beliebig</translation>
    </message>
    <message>
        <source>upper</source>
        <translation>GROSS</translation>
    </message>
    <message>
        <source>year</source>
        <translation>Jahr</translation>
    </message>
</context>
<context>
    <name>main</name>
    <message>
        <source>The copy of the library was put back.</source>
        <translation>Die Kopie der Bibliothek wurde zurückgelegt.</translation>
    </message>
    <message>
        <source>The damaged library is kept as %1.</source>
        <translation>Die beschädigte Bibliothek bleibt als %1.</translation>
    </message>
    <message>
        <source>The copy was not put back.</source>
        <translation>Die Kopie wurde nicht zurückgelegt.</translation>
    </message>
    <message>
        <source>The library was not made anew.</source>
        <translation>Die Bibliothek wurde nicht neu gemacht.</translation>
    </message>
    <message>
        <source>The library was made anew.</source>
        <translation>Die Bibliothek wurde neu gemacht.</translation>
    </message>
    <message>
        <source>Nothing could be read of the damaged one (%1); from its copy: files %2, drafts %3, lines of the journal %4.</source>
        <translation>Von der beschädigten (%1) war nichts zu lesen; aus ihrer Kopie: Dateien %2, Entwürfe %3, Zeilen des Journals %4.</translation>
    </message>
    <message>
        <source>From the damaged one (%1): files %2, drafts %3, lines of the journal %4.</source>
        <translation>Aus der beschädigten (%1): Dateien %2, Entwürfe %3, Zeilen des Journals %4.</translation>
    </message>
    <message>
        <source>The library is being copied …</source>
        <translation>Die Bibliothek wird kopiert …</translation>
    </message>
    <message>
        <source>The library is being made anew …</source>
        <translation>Die Bibliothek wird neu gemacht …</translation>
    </message>
    <message>
        <source>The copy of the library is being put back …</source>
        <translation>Die Kopie der Bibliothek wird zurückgelegt …</translation>
    </message>
</context>
<context>
    <name>moorfrost::app</name>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>Booklets</source>
        <translation>Booklets</translation>
    </message>
    <message>
        <source>Cue sheets</source>
        <translation>Cue-Sheets</translation>
    </message>
    <message>
        <source>Logs</source>
        <translation>Protokolle</translation>
    </message>
    <message>
        <source>Texts</source>
        <translation>Texte</translation>
    </message>
    <message>
        <source>Playlists</source>
        <translation>Wiedergabelisten</translation>
    </message>
    <message>
        <source>All others</source>
        <translation>Alle anderen</translation>
    </message>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>Facts, people and lyrics of a song on a page</source>
        <translation>Angaben, Personen und Liedtext eines Songs auf einer Seite</translation>
    </message>
    <message>
        <source>Share page</source>
        <translation>Hörseite</translation>
    </message>
    <message>
        <source>To listen, comment and download, in any browser</source>
        <translation>Zum Anhören, Kommentieren und Herunterladen, in jedem Browser</translation>
    </message>
    <message>
        <source>Sheet out</source>
        <translation>Tabelle hinaus</translation>
    </message>
    <message>
        <source>Rows for another system, as it wants them</source>
        <translation>Zeilen für ein anderes System, wie es sie will</translation>
    </message>
    <message>
        <source>Sheet in</source>
        <translation>Tabelle herein</translation>
    </message>
    <message>
        <source>Rows that others send, taken as drafts</source>
        <translation>Zeilen, die andere schicken, als Entwürfe übernommen</translation>
    </message>
    <message>
        <source>List</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>For any player, or the whole library as JSON Lines</source>
        <translation>Für jeden Player, oder die ganze Bibliothek als JSON Lines</translation>
    </message>
    <message>
        <source>Device</source>
        <translation>Gerät</translation>
    </message>
    <message>
        <source>Copies that are kept in step</source>
        <translation>Kopien, die auf dem Stand gehalten werden</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Paket</translation>
    </message>
    <message>
        <source>For an archive, with sums and what is known</source>
        <translation>Für ein Archiv, mit Prüfsummen und allem, was bekannt ist</translation>
    </message>
    <message>
        <source>Delivered before</source>
        <translation>Früher weitergegeben</translation>
    </message>
    <message>
        <source>What went out, to whom, and what came back</source>
        <translation>Was hinausging, an wen, und was zurückkam</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AgreementSide</name>
    <message>
        <source>How long it holds</source>
        <translation>Wie lange sie gilt</translation>
    </message>
    <message>
        <source>What is missing</source>
        <translation>Was fehlt</translation>
    </message>
    <message>
        <source>No party is named</source>
        <translation>Niemand ist genannt</translation>
    </message>
    <message>
        <source>No song is named</source>
        <translation>Kein Song ist genannt</translation>
    </message>
    <message>
        <source>When it was signed</source>
        <translation>Wann sie unterschrieben wurde</translation>
    </message>
    <message>
        <source>When it ends</source>
        <translation>Wann sie endet</translation>
    </message>
    <message>
        <source>No document</source>
        <translation>Kein Dokument</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AgreementsController</name>
    <message>
        <source>Keeping documents</source>
        <translation>Dokumente werden abgelegt</translation>
    </message>
    <message>
        <source>(and %1 more)</source>
        <translation>(und %1 weitere)</translation>
    </message>
    <message>
        <source>Documents of an agreement</source>
        <translation>Dokumente einer Vereinbarung</translation>
    </message>
    <message>
        <source>This document is kept here already.</source>
        <translation>Dieses Dokument liegt hier schon.</translation>
    </message>
    <message>
        <source>What an agreement is about</source>
        <translation>Worum es in einer Vereinbarung geht</translation>
    </message>
    <message>
        <source>Checking documents</source>
        <translation>Dokumente werden geprüft</translation>
    </message>
    <message>
        <source>Copying a document</source>
        <translation>Ein Dokument wird kopiert</translation>
    </message>
    <message>
        <source>The document is copied to %1.</source>
        <translation>Das Dokument ist nach %1 kopiert.</translation>
    </message>
    <message>
        <source>Opening a document</source>
        <translation>Ein Dokument wird geöffnet</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AgreementsPage</name>
    <message>
        <source>%1, kept %2</source>
        <translation>%1, abgelegt %2</translation>
    </message>
    <message>
        <source>Agreements</source>
        <translation>Vereinbarungen</translation>
    </message>
    <message>
        <source>Those that end soon come first</source>
        <translation>Was bald endet, steht oben</translation>
    </message>
    <message>
        <source>New agreement…</source>
        <translation>Neue Vereinbarung…</translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Veröffentlichungen</translation>
    </message>
    <message>
        <source>Search: title, name, song …</source>
        <translation>Suche: Titel, Name, Song …</translation>
    </message>
    <message>
        <source>Search the agreements</source>
        <translation>Vereinbarungen durchsuchen</translation>
    </message>
    <message>
        <source>Documents</source>
        <translation>Dokumente</translation>
    </message>
    <message>
        <source>None yet. Drop the PDF or the scans here: copies are kept beside the library.</source>
        <translation>Noch keine. Ziehen Sie das PDF oder die Scans hierher: Kopien werden neben der Bibliothek abgelegt.</translation>
    </message>
    <message>
        <source>Song or release</source>
        <translation>Song oder Veröffentlichung</translation>
    </message>
    <message>
        <source>By</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>What it is about</source>
        <translation>Worum es geht</translation>
    </message>
    <message>
        <source>It is not about this one</source>
        <translation>Es geht nicht um dies hier</translation>
    </message>
    <message>
        <source>Add songs…</source>
        <translation>Songs hinzufügen…</translation>
    </message>
    <message>
        <source>Nothing yet.</source>
        <translation>Noch nichts.</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen…</translation>
    </message>
    <message>
        <source>Add documents</source>
        <translation>Dokumente hinzufügen</translation>
    </message>
    <message>
        <source>Add songs that it is about</source>
        <translation>Songs hinzufügen, um die es geht</translation>
    </message>
    <message>
        <source>What it covers</source>
        <translation>Was sie umfasst</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>%1 in all</source>
        <translation>%1 insgesamt</translation>
    </message>
    <message numerus="yes">
        <source>%n end(s) soon</source>
        <translation>
            <numerusform>%n endet bald</numerusform>
            <numerusform>%n enden bald</numerusform>
        </translation>
    </message>
    <message>
        <source>No agreement is known yet</source>
        <translation>Noch ist keine Vereinbarung bekannt</translation>
    </message>
    <message>
        <source>Drop a contract or a split sheet here, or make one from a song: who agreed on what, until when. It is told before it ends, and the document is looked at each time it is shown: it shows if it was altered or has gone.</source>
        <translation>Ziehen Sie einen Vertrag oder ein Split Sheet hierher, oder machen Sie eine aus einem Song: wer sich worauf geeinigt hat, bis wann. Vor dem Ende wird Bescheid gesagt. Das Dokument wird bei jedem Anzeigen geprüft: es zeigt, ob es verändert wurde oder verschwunden ist.</translation>
    </message>
    <message>
        <source>Nothing is noted.</source>
        <translation>Nichts ist notiert.</translation>
    </message>
    <message>
        <source>Return or a double click opens a copy
SHA-256 %1</source>
        <translation>Eingabetaste oder Doppelklick öffnet eine Kopie
SHA-256 %1</translation>
    </message>
    <message>
        <source>as it was kept</source>
        <translation>wie abgelegt</translation>
    </message>
    <message>
        <source>it has vanished: add it again</source>
        <translation>es ist verschwunden: fügen Sie es wieder hinzu</translation>
    </message>
    <message>
        <source>it was altered: it is not what was kept</source>
        <translation>es wurde verändert: es ist nicht, was abgelegt wurde</translation>
    </message>
    <message>
        <source>a song that is no longer known</source>
        <translation>ein Song, der nicht mehr bekannt ist</translation>
    </message>
    <message>
        <source>a release</source>
        <translation>eine Veröffentlichung</translation>
    </message>
    <message>
        <source>There is no other work in the library.</source>
        <translation>Es gibt kein anderes Werk in der Bibliothek.</translation>
    </message>
    <message>
        <source>A song that it is about</source>
        <translation>Ein Song, um den es geht</translation>
    </message>
    <message>
        <source>Song:</source>
        <translation>Song:</translation>
    </message>
    <message>
        <source>No work, or several, are called “%1”.</source>
        <translation>Kein Werk heißt „%1“, oder mehrere.</translation>
    </message>
    <message>
        <source>New agreement</source>
        <translation>Neue Vereinbarung</translation>
    </message>
    <message>
        <source>What it is called:</source>
        <translation>Wie sie heißt:</translation>
    </message>
    <message>
        <source>It needs a title.</source>
        <translation>Sie braucht einen Titel.</translation>
    </message>
    <message>
        <source>Documents (*.pdf *.png *.jpg *.jpeg *.tif *.tiff *.odt *.docx *.txt);;All files (*)</source>
        <translation>Dokumente (*.pdf *.png *.jpg *.jpeg *.tif *.tiff *.odt *.docx *.txt);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Open a copy	Return</source>
        <translation>Kopie öffnen	Eingabe</translation>
    </message>
    <message>
        <source>Save a copy as…</source>
        <translation>Kopie speichern unter…</translation>
    </message>
    <message>
        <source>Save a copy</source>
        <translation>Kopie speichern</translation>
    </message>
    <message>
        <source>Take it out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source>Remove	Del</source>
        <translation>Entfernen	Entf</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AlongFiles</name>
    <message>
        <source>Looking at what goes along</source>
        <translation>Was mitgeht, wird angesehen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AuditController</name>
    <message>
        <source>Looking through the library</source>
        <translation>Die Bibliothek wird durchgesehen</translation>
    </message>
    <message>
        <source>Looking at the whole library together</source>
        <translation>Die ganze Bibliothek wird zusammen angesehen</translation>
    </message>
    <message>
        <source>Arranging what was found</source>
        <translation>Was gefunden wurde, wird geordnet</translation>
    </message>
    <message>
        <source>Looking for findings</source>
        <translation>Befunde werden gesucht</translation>
    </message>
    <message numerus="yes">
        <source>%n fix(es)</source>
        <translation>
            <numerusform>%n Behebung</numerusform>
            <numerusform>%n Behebungen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Proposed: %n value(s).</source>
        <translation>
            <numerusform>Vorgeschlagen: %n Wert.</numerusform>
            <numerusform>Vorgeschlagen: %n Werte.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation>
            <numerusform>In %n Datei kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
            <numerusform>In %n Dateien kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AuditPage</name>
    <message>
        <source>Audit</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>Search in the findings …</source>
        <translation>In den Befunden suchen …</translation>
    </message>
    <message>
        <source>Search in the findings</source>
        <translation>In den Befunden suchen</translation>
    </message>
    <message>
        <source>Every recording has its ISRC</source>
        <translation>Jede Aufnahme hat ihren ISRC</translation>
    </message>
    <message>
        <source>Recordings on the shelves that lack one are listed here.</source>
        <translation>Aufnahmen auf den Regalen, denen einer fehlt, stehen hier.</translation>
    </message>
    <message>
        <source>Findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>Codes to fill</source>
        <translation>Fehlende Codes</translation>
    </message>
    <message>
        <source>Codes to fill  %L1</source>
        <translation>Fehlende Codes  %L1</translation>
    </message>
    <message>
        <source>Fixity</source>
        <translation>Fixity</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Grave</source>
        <translation>Schwer</translation>
    </message>
    <message>
        <source>Plain</source>
        <translation>Mittel</translation>
    </message>
    <message>
        <source>Slight</source>
        <translation>Leicht</translation>
    </message>
    <message>
        <source>Take the fix</source>
        <translation>Behebung übernehmen</translation>
    </message>
    <message>
        <source>Take all…</source>
        <translation>Alle übernehmen…</translation>
    </message>
    <message>
        <source>Leave it…</source>
        <translation>Belassen…</translation>
    </message>
    <message>
        <source>Show in the library</source>
        <translation>In der Bibliothek zeigen</translation>
    </message>
    <message>
        <source>was %L1 on %2</source>
        <translation>war %L1 am %2</translation>
    </message>
    <message>
        <source>The library is being looked through</source>
        <translation>Die Bibliothek wird durchgesehen</translation>
    </message>
    <message>
        <source>What is found is listed here, rule by rule, with its reason.</source>
        <translation>Was gefunden wird, steht hier, Regel für Regel, mit seinem Grund.</translation>
    </message>
    <message>
        <source>Nothing is left as it is</source>
        <translation>Nichts wurde belassen</translation>
    </message>
    <message>
        <source>A finding that you leave as it is stands here, until its facts change.</source>
        <translation>Ein Befund, den Sie belassen, steht hier, bis sich ändert, worauf er beruht.</translation>
    </message>
    <message>
        <source>This is not looked for</source>
        <translation>Danach wird nicht gesucht</translation>
    </message>
    <message>
        <source>Switch it on below the rules.</source>
        <translation>Schalten Sie es unter den Regeln ein.</translation>
    </message>
    <message>
        <source>Nothing is wrong by these rules</source>
        <translation>Nach diesen Regeln ist nichts falsch</translation>
    </message>
    <message>
        <source>The library is looked through again whenever something changes.</source>
        <translation>Die Bibliothek wird wieder durchgesehen, sobald sich etwas ändert.</translation>
    </message>
    <message>
        <source>No such finding</source>
        <translation>Kein solcher Befund</translation>
    </message>
    <message>
        <source>Choose all shelves, releases and times, or search for less.</source>
        <translation>Wählen Sie alle Regale, Veröffentlichungen und Zeiten, oder suchen Sie nach weniger.</translation>
    </message>
    <message>
        <source>Choose another rule or weight, or search for less.</source>
        <translation>Wählen Sie eine andere Regel oder ein anderes Gewicht, oder suchen Sie nach weniger.</translation>
    </message>
    <message numerus="yes">
        <source>%n finding(s)</source>
        <translation>
            <numerusform>%n Befund</numerusform>
            <numerusform>%n Befunde</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 in %2</source>
        <translation>%1 in %2</translation>
    </message>
    <message numerus="yes">
        <source>%n release(s)</source>
        <translation>
            <numerusform>%n Veröffentlichung</numerusform>
            <numerusform>%n Veröffentlichungen</numerusform>
        </translation>
    </message>
    <message>
        <source>%L1 shown</source>
        <translation>%L1 gezeigt</translation>
    </message>
    <message>
        <source>looking through the library …</source>
        <translation>die Bibliothek wird durchgesehen …</translation>
    </message>
    <message>
        <source>measuring sound and pictures …</source>
        <translation>Klang und Bilder werden gemessen …</translation>
    </message>
    <message numerus="yes">
        <source>Take %n fix(es)</source>
        <translation>
            <numerusform>%n Behebung übernehmen</numerusform>
            <numerusform>%n Behebungen übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>Bring back</source>
        <translation>Zurückholen</translation>
    </message>
    <message>
        <source>Leave as it is</source>
        <translation>Belassen</translation>
    </message>
    <message>
        <source>Why it may stay as it is. It comes back when its facts change.</source>
        <translation>Warum es so bleiben darf. Es kommt wieder, wenn sich ändert, worauf es beruht.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BatchController</name>
    <message>
        <source>From the library, %1</source>
        <translation>Aus der Bibliothek, %1</translation>
    </message>
    <message>
        <source>Sorting into sleeves</source>
        <translation>Hüllen werden gebildet</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BatchDialog</name>
    <message>
        <source>This batch</source>
        <translation>Dieser Stapel</translation>
    </message>
    <message>
        <source>Name of the batch</source>
        <translation>Name des Stapels</translation>
    </message>
    <message>
        <source>Note on the batch</source>
        <translation>Notiz zum Stapel</translation>
    </message>
    <message>
        <source>Whose files they are, what was agreed, what is left to do …</source>
        <translation>Wessen Dateien es sind, was vereinbart wurde, was noch zu tun ist …</translation>
    </message>
    <message>
        <source>Where its files came from</source>
        <translation>Woher seine Dateien kamen</translation>
    </message>
    <message>
        <source>Came from</source>
        <translation>Kam von</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Wann</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>from the library</source>
        <translation>aus der Bibliothek</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BeforeView</name>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Tabelle</translation>
    </message>
    <message>
        <source>Share page</source>
        <translation>Hörseite</translation>
    </message>
    <message>
        <source>List</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>Device</source>
        <translation>Gerät</translation>
    </message>
    <message>
        <source>Package</source>
        <translation>Paket</translation>
    </message>
    <message>
        <source>When</source>
        <translation>Wann</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>Way</source>
        <translation>Weg</translation>
    </message>
    <message>
        <source>For whom</source>
        <translation>Für wen</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Stand</translation>
    </message>
    <message>
        <source>What was delivered</source>
        <translation>Was weitergegeben wurde</translation>
    </message>
    <message>
        <source>Make it again…</source>
        <translation>Noch einmal machen…</translation>
    </message>
    <message>
        <source>Show where it is</source>
        <translation>Zeigen, wo es ist</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
    <message>
        <source>Mark the comments in the tracks</source>
        <translation>Die Kommentare in den Stücken markieren</translation>
    </message>
    <message>
        <source>Nothing was delivered yet</source>
        <translation>Noch wurde nichts weitergegeben</translation>
    </message>
    <message>
        <source>Whatever goes out of the library is noted here: what, when and to whom, and what has changed since. From here it is made again.</source>
        <translation>Was die Bibliothek verlässt, wird hier notiert: was, wann und an wen, und was sich seither geändert hat. Von hier wird es noch einmal gemacht.</translation>
    </message>
    <message numerus="yes">
        <source>%n comment(s) back</source>
        <translation>
            <numerusform>%n Kommentar zurück</numerusform>
            <numerusform>%n Kommentare zurück</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 is not there any more.</source>
        <translation>%1 ist nicht mehr da.</translation>
    </message>
    <message>
        <source>None of its tracks is in the library any more.</source>
        <translation>Keins der Stücke ist noch in der Bibliothek.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BenchPage</name>
    <message>
        <source>Bring in</source>
        <translation>Einlesen</translation>
    </message>
    <message>
        <source>Identify</source>
        <translation>Erkennen</translation>
    </message>
    <message>
        <source>Describe</source>
        <translation>Beschreiben</translation>
    </message>
    <message>
        <source>Put away</source>
        <translation>Einordnen</translation>
    </message>
    <message>
        <source>Batch</source>
        <translation>Stapel</translation>
    </message>
    <message>
        <source>Sleeves</source>
        <translation>Hüllen</translation>
    </message>
    <message>
        <source>show all</source>
        <translation>alle zeigen</translation>
    </message>
    <message>
        <source>Standard of the batch</source>
        <translation>Standard des Stapels</translation>
    </message>
    <message>
        <source>The standard that the tallies are about</source>
        <translation>Der Standard, um den es in den Leisten geht</translation>
    </message>
    <message>
        <source>Order of the sleeves</source>
        <translation>Reihenfolge der Hüllen</translation>
    </message>
    <message>
        <source>Versions…</source>
        <translation>Fassungen…</translation>
    </message>
    <message numerus="yes">
        <source>%n left</source>
        <translation>
            <numerusform>noch %n</numerusform>
            <numerusform>noch %n</numerusform>
        </translation>
    </message>
    <message>
        <source>sorted</source>
        <translation>sortiert</translation>
    </message>
    <message numerus="yes">
        <source>%n stray(s)</source>
        <translation>
            <numerusform>%n Einzelne</numerusform>
            <numerusform>%n Einzelne</numerusform>
        </translation>
    </message>
    <message>
        <source>of them cannot be read: %1</source>
        <translation>davon nicht lesbar: %1</translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s) to confirm</source>
        <translation>
            <numerusform>%n Art zu bestätigen</numerusform>
            <numerusform>%n Arten zu bestätigen</numerusform>
        </translation>
    </message>
    <message>
        <source>all known</source>
        <translation>alle bekannt</translation>
    </message>
    <message numerus="yes">
        <source>%n gap(s)</source>
        <translation>
            <numerusform>%n Lücke</numerusform>
            <numerusform>%n Lücken</numerusform>
        </translation>
    </message>
    <message>
        <source>complete</source>
        <translation>vollständig</translation>
    </message>
    <message>
        <source>all drafted</source>
        <translation>alle entworfen</translation>
    </message>
    <message numerus="yes">
        <source>%n sleeve(s)</source>
        <translation>
            <numerusform>%n Hülle</numerusform>
            <numerusform>%n Hüllen</numerusform>
        </translation>
    </message>
    <message>
        <source> and strays</source>
        <translation> und Einzelne</translation>
    </message>
    <message>
        <source>%1 ▾</source>
        <translation>%1 ▾</translation>
    </message>
    <message>
        <source>Reading…</source>
        <translation>Wird gelesen…</translation>
    </message>
    <message>
        <source>The files of the folder come in a moment.</source>
        <translation>Die Dateien des Ordners kommen gleich.</translation>
    </message>
    <message>
        <source>No file of this folder could be read</source>
        <translation>Keine Datei dieses Ordners konnte gelesen werden</translation>
    </message>
    <message>
        <source>Go on to the next one with F8, or choose another on the left.</source>
        <translation>Gehen Sie mit F8 zum nächsten, oder wählen Sie links einen anderen.</translation>
    </message>
    <message>
        <source>There is nothing to describe here</source>
        <translation>Hier ist nichts zu beschreiben</translation>
    </message>
    <message>
        <source>Bring in a folder first, or choose another sleeve on the left. Or look through folders one by one, without bringing them in.</source>
        <translation>Lesen Sie erst einen Ordner ein, oder wählen Sie links eine andere Hülle. Oder sehen Sie Ordner einzeln durch, ohne sie einzulesen.</translation>
    </message>
    <message>
        <source>least ready first</source>
        <translation>die unfertigsten zuerst</translation>
    </message>
    <message>
        <source>most files first</source>
        <translation>die mit den meisten Dateien zuerst</translation>
    </message>
    <message>
        <source>by title</source>
        <translation>nach Titel</translation>
    </message>
    <message>
        <source>Edit the standards…</source>
        <translation>Standards bearbeiten…</translation>
    </message>
    <message>
        <source>none yet</source>
        <translation>noch keiner</translation>
    </message>
    <message>
        <source>New batch…</source>
        <translation>Neuer Stapel…</translation>
    </message>
    <message>
        <source>About this batch…</source>
        <translation>Über diesen Stapel…</translation>
    </message>
    <message>
        <source>Clear this batch off the bench…</source>
        <translation>Stapel von der Werkbank räumen…</translation>
    </message>
    <message>
        <source>New batch</source>
        <translation>Neuer Stapel</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>Batch of %1</source>
        <translation>Stapel vom %1</translation>
    </message>
    <message>
        <source>"%1" goes off the bench. No file is touched, and what was put away stays in the library.</source>
        <translation>„%1“ geht von der Werkbank. Keine Datei wird berührt, und was eingeordnet wurde, bleibt in der Bibliothek.</translation>
    </message>
    <message numerus="yes">
        <source>%n draft(s) that are not written are lost.</source>
        <translation>
            <numerusform>%n Entwurf, der nicht geschrieben ist, geht verloren.</numerusform>
            <numerusform>%n Entwürfe, die nicht geschrieben sind, gehen verloren.</numerusform>
        </translation>
    </message>
    <message>
        <source>Clear the batch</source>
        <translation>Stapel abräumen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BringIn</name>
    <message numerus="yes">
        <source>%n place(s)</source>
        <translation>
            <numerusform>%n Stelle</numerusform>
            <numerusform>%n Stellen</numerusform>
        </translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation>%1 wird gelesen</translation>
    </message>
    <message numerus="yes">
        <source>Stopped. %n file(s) were read.</source>
        <translation>
            <numerusform>Angehalten. %n Datei wurde gelesen.</numerusform>
            <numerusform>Angehalten. %n Dateien wurden gelesen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) are as they were, and were not read again.</source>
        <translation>
            <numerusform>%n Datei ist, wie sie war, und wurde nicht noch einmal gelesen.</numerusform>
            <numerusform>%n Dateien sind, wie sie waren, und wurden nicht noch einmal gelesen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n of them are in the library already.</source>
        <translation>
            <numerusform>%n davon ist schon in der Bibliothek.</numerusform>
            <numerusform>%n davon sind schon in der Bibliothek.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BringInPage</name>
    <message>
        <source>Add folder…</source>
        <translation>Ordner hinzufügen…</translation>
    </message>
    <message>
        <source>Add files…</source>
        <translation>Dateien hinzufügen…</translation>
    </message>
    <message>
        <source>Gather…</source>
        <translation>Sammeln…</translation>
    </message>
    <message>
        <source>Picks all sound of some formats out of a folder, however deep</source>
        <translation>Holt allen Klang mancher Formate aus einem Ordner, wie tief er auch liegt</translation>
    </message>
    <message>
        <source>Discs…</source>
        <translation>Discs…</translation>
    </message>
    <message>
        <source>Reads the tables of discs, and makes files of their tracks</source>
        <translation>Liest die Tabellen von Discs, und macht Dateien aus ihren Stücken</translation>
    </message>
    <message>
        <source>Recent folders ▾</source>
        <translation>Letzte Ordner ▾</translation>
    </message>
    <message>
        <source>with the folders inside</source>
        <translation>mit den Ordnern darin</translation>
    </message>
    <message>
        <source>Sort into sleeves again</source>
        <translation>Neu in Hüllen sortieren</translation>
    </message>
    <message>
        <source>Puts files together by folder, album and album artist, drafts included</source>
        <translation>Legt Dateien nach Ordner, Album und Albuminterpret zusammen, mit den Entwürfen</translation>
    </message>
    <message>
        <source>Folders and files</source>
        <translation>Ordner und Dateien</translation>
    </message>
    <message>
        <source>Bring in the files to be worked on</source>
        <translation>Lesen Sie die Dateien ein, an denen gearbeitet werden soll</translation>
    </message>
    <message>
        <source>Add a folder, or drop folders and files anywhere on this window. Nothing is changed by bringing in: Moorfrost only reads.</source>
        <translation>Fügen Sie einen Ordner hinzu, oder ziehen Sie Ordner und Dateien irgendwo auf dieses Fenster. Durch das Einlesen ändert sich nichts: Moorfrost liest nur.</translation>
    </message>
    <message>
        <source>Files that do not seem to be music: speech, idents, effects, tones</source>
        <translation>Dateien, die keine Musik zu sein scheinen: Sprache, Kennungen, Geräusche, Töne</translation>
    </message>
    <message>
        <source>Check files…</source>
        <translation>Dateien prüfen…</translation>
    </message>
    <message>
        <source>Whether the files are whole, and still the ones they were</source>
        <translation>Ob die Dateien heil sind, und noch die, die sie waren</translation>
    </message>
    <message>
        <source>Try it with sample files…</source>
        <translation>Mit Beispieldateien ausprobieren…</translation>
    </message>
    <message>
        <source>Bring in a folder</source>
        <translation>Einen Ordner einlesen</translation>
    </message>
    <message>
        <source>Bring in files</source>
        <translation>Dateien einlesen</translation>
    </message>
    <message>
        <source>None yet</source>
        <translation>Noch keine</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) beside them</source>
        <translation>
            <numerusform>%n andere daneben</numerusform>
            <numerusform>%n andere daneben</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n without tags</source>
        <translation>
            <numerusform>%n ohne Tags</numerusform>
            <numerusform>%n ohne Tags</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n to look at</source>
        <translation>
            <numerusform>%n anzusehen</numerusform>
            <numerusform>%n anzusehen</numerusform>
        </translation>
    </message>
    <message>
        <source>Kinds…</source>
        <translation>Arten…</translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s) to confirm…</source>
        <translation>
            <numerusform>%n Art zu bestätigen…</numerusform>
            <numerusform>%n Arten zu bestätigen…</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s)…</source>
        <translation>
            <numerusform>%n Art…</numerusform>
            <numerusform>%n Arten…</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged or unreadable</source>
        <translation>
            <numerusform>%n beschädigt oder nicht lesbar</numerusform>
            <numerusform>%n beschädigt oder nicht lesbar</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation>
            <numerusform>%n beschädigt</numerusform>
            <numerusform>%n beschädigt</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>the %n selected file(s)</source>
        <translation>
            <numerusform>die %n gewählte Datei</numerusform>
            <numerusform>die %n gewählten Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>the %n file(s) shown</source>
        <translation>
            <numerusform>die %n gezeigte Datei</numerusform>
            <numerusform>die %n gezeigten Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Mend the text…</source>
        <translation>Text berichtigen…</translation>
    </message>
    <message>
        <source>Remove from the batch (the files stay as they are)</source>
        <translation>Aus dem Stapel nehmen (die Dateien bleiben, wie sie sind)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CardPage</name>
    <message>
        <source>Change…</source>
        <translation>Ändern…</translation>
    </message>
    <message>
        <source>Change: %1</source>
        <translation>Ändern: %1</translation>
    </message>
    <message>
        <source>Reading …</source>
        <translation>Wird gelesen …</translation>
    </message>
    <message>
        <source>Nothing is found</source>
        <translation>Nichts wird gefunden</translation>
    </message>
    <message>
        <source>Hide what is not known</source>
        <translation>Verbergen, was nicht bekannt ist</translation>
    </message>
    <message numerus="yes">
        <source>%n more fact(s), not known</source>
        <translation>
            <numerusform>%n weitere Angabe, nicht bekannt</numerusform>
            <numerusform>%n weitere Angaben, nicht bekannt</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CheckFilesDialog</name>
    <message>
        <source>same</source>
        <translation>gleich</translation>
    </message>
    <message>
        <source>fine</source>
        <translation>in Ordnung</translation>
    </message>
    <message>
        <source>new</source>
        <translation>neu</translation>
    </message>
    <message>
        <source>changed</source>
        <translation>geändert</translation>
    </message>
    <message>
        <source>damaged</source>
        <translation>beschädigt</translation>
    </message>
    <message>
        <source>missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>unreadable</source>
        <translation>nicht lesbar</translation>
    </message>
    <message>
        <source>Check files</source>
        <translation>Dateien prüfen</translation>
    </message>
    <message>
        <source>Sound against what was stored</source>
        <translation>Klang gegen das, was abgelegt wurde</translation>
    </message>
    <message>
        <source>Which of %1 no longer have the sound they had. Tags and names do not count.</source>
        <translation>Welche von %1 nicht mehr den Klang haben, den sie hatten. Tags und Namen zählen nicht.</translation>
    </message>
    <message>
        <source>Decode to the end</source>
        <translation>Bis zum Ende dekodieren</translation>
    </message>
    <message>
        <source>Whether %1 can be played to the end. Of FLAC the sum of the samples counts, too.</source>
        <translation>Ob %1 bis zum Ende gespielt werden können. Bei FLAC zählt auch die Prüfsumme der Samples.</translation>
    </message>
    <message>
        <source>Whole files against a list</source>
        <translation>Ganze Dateien gegen eine Liste</translation>
    </message>
    <message>
        <source>Checks a list of SHA-256 sums, in the form that sha256sum writes.</source>
        <translation>Prüft eine Liste von SHA-256-Summen in der Form, die sha256sum schreibt.</translation>
    </message>
    <message>
        <source>Write a list of whole files</source>
        <translation>Eine Liste ganzer Dateien schreiben</translation>
    </message>
    <message>
        <source>Makes such a list of everything in a folder, for other programs and for later.</source>
        <translation>Macht eine solche Liste von allem in einem Ordner, für andere Programme und für später.</translation>
    </message>
    <message>
        <source>Store the fixity of files that are new</source>
        <translation>Fixity neuer Dateien ablegen</translation>
    </message>
    <message>
        <source>What was found</source>
        <translation>Was gefunden wurde</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Stand</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Nothing was checked yet.</source>
        <translation>Noch wurde nichts geprüft.</translation>
    </message>
    <message>
        <source>Only troubles</source>
        <translation>Nur was nicht stimmt</translation>
    </message>
    <message>
        <source>Save report…</source>
        <translation>Bericht speichern…</translation>
    </message>
    <message>
        <source>As a page (.html) or a table for other programs (.csv)</source>
        <translation>Als Seite (.html) oder als Tabelle für andere Programme (.csv)</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>A check that runs goes on, and can be looked at again</source>
        <translation>Eine Prüfung, die läuft, läuft weiter und kann wieder angesehen werden</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Check</source>
        <translation>Prüfen</translation>
    </message>
    <message>
        <source>Decode</source>
        <translation>Dekodieren</translation>
    </message>
    <message>
        <source>Choose a list…</source>
        <translation>Liste wählen…</translation>
    </message>
    <message>
        <source>Choose a folder…</source>
        <translation>Ordner wählen…</translation>
    </message>
    <message>
        <source>Lists of checksums (*.sha256 *SUMS* *.txt);;All files (*)</source>
        <translation>Listen von Prüfsummen (*.sha256 *SUMS* *.txt);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Check a list</source>
        <translation>Liste prüfen</translation>
    </message>
    <message>
        <source>Write a list of everything in</source>
        <translation>Liste schreiben von allem in</translation>
    </message>
    <message>
        <source>Write the list as</source>
        <translation>Liste schreiben als</translation>
    </message>
    <message>
        <source>Checking…</source>
        <translation>Wird geprüft…</translation>
    </message>
    <message>
        <source>Checking files: %1</source>
        <translation>Dateien werden geprüft: %1</translation>
    </message>
    <message>
        <source>%L1 of %L2, %L3 files/s</source>
        <translation>%L1 von %L2, %L3 Dateien/s</translation>
    </message>
    <message>
        <source>Stopped. %1</source>
        <translation>Angehalten. %1</translation>
    </message>
    <message>
        <source>The check of files has ended: %1 "Check files" shows it.</source>
        <translation>Die Prüfung der Dateien ist zu Ende: %1 „Dateien prüfen“ zeigt es.</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Bericht speichern</translation>
    </message>
    <message>
        <source>report.html</source>
        <translation>bericht.html</translation>
    </message>
    <message>
        <source>Page (*.html);;Table for other programs (*.csv)</source>
        <translation>Seite (*.html);;Tabelle für andere Programme (*.csv)</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Saving the report</source>
        <translation>Der Bericht wird gespeichert</translation>
    </message>
    <message>
        <source>The report was saved as %1.</source>
        <translation>Der Bericht wurde als %1 gespeichert.</translation>
    </message>
    <message>
        <source>Saved as %1.</source>
        <translation>Als %1 gespeichert.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ChipEditor</name>
    <message>
        <source>Plan as text</source>
        <translation>Plan als Text</translation>
    </message>
    <message>
        <source>edit as chips</source>
        <translation>als Bausteine</translation>
    </message>
    <message>
        <source>edit as text</source>
        <translation>als Text</translation>
    </message>
    <message>
        <source>At character %1: %2</source>
        <translation>Bei Zeichen %1: %2</translation>
    </message>
    <message>
        <source>Text between fields</source>
        <translation>Text zwischen Feldern</translation>
    </message>
    <message>
        <source>Text:</source>
        <translation>Text:</translation>
    </message>
    <message>
        <source>More fields</source>
        <translation>Weitere Felder</translation>
    </message>
    <message>
        <source>Folder ( / )</source>
        <translation>Ordner ( / )</translation>
    </message>
    <message>
        <source>Space</source>
        <translation>Leerzeichen</translation>
    </message>
    <message>
        <source>Dash ( - )</source>
        <translation>Strich ( - )</translation>
    </message>
    <message>
        <source>Skip any text</source>
        <translation>Beliebigen Text überspringen</translation>
    </message>
    <message>
        <source>Edit text…</source>
        <translation>Text bearbeiten…</translation>
    </message>
    <message>
        <source>2 digits</source>
        <translation>2 Stellen</translation>
    </message>
    <message>
        <source>3 digits</source>
        <translation>3 Stellen</translation>
    </message>
    <message>
        <source>only if several</source>
        <translation>nur wenn mehrere</translation>
    </message>
    <message>
        <source>year only</source>
        <translation>nur das Jahr</translation>
    </message>
    <message>
        <source>sort form (Ferry, The)</source>
        <translation>Sortierform (Ferry, The)</translation>
    </message>
    <message>
        <source>title case</source>
        <translation>Titelschreibung</translation>
    </message>
    <message>
        <source>sentence case</source>
        <translation>Satzschreibung</translation>
    </message>
    <message>
        <source>lower</source>
        <translation>klein</translation>
    </message>
    <message>
        <source>upper</source>
        <translation>groß</translation>
    </message>
    <message>
        <source>plain letters</source>
        <translation>einfache Buchstaben</translation>
    </message>
    <message>
        <source>first value only</source>
        <translation>nur der erste Wert</translation>
    </message>
    <message>
        <source>first letter only</source>
        <translation>nur der erste Buchstabe</translation>
    </message>
    <message>
        <source>at most 40 characters</source>
        <translation>höchstens 40 Zeichen</translation>
    </message>
    <message>
        <source>If blank, else</source>
        <translation>Wenn leer, sonst</translation>
    </message>
    <message>
        <source>"Unknown"</source>
        <translation>„Unknown“</translation>
    </message>
    <message>
        <source>Without "else"</source>
        <translation>Ohne „sonst“</translation>
    </message>
    <message>
        <source>Move left	Ctrl+Left</source>
        <translation>Nach links	Strg+Links</translation>
    </message>
    <message>
        <source>Move right	Ctrl+Right</source>
        <translation>Nach rechts	Strg+Rechts</translation>
    </message>
    <message>
        <source>Add before</source>
        <translation>Davor einfügen</translation>
    </message>
    <message>
        <source>Remove	Delete</source>
        <translation>Entfernen	Entf</translation>
    </message>
    <message>
        <source>folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>space</source>
        <translation>Leerzeichen</translation>
    </message>
    <message>
        <source>Add a field</source>
        <translation>Feld hinzufügen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodeBox</name>
    <message>
        <source>Drafts made: %1</source>
        <translation>Entwürfe gemacht: %1</translation>
    </message>
    <message>
        <source>Nobody was asked yet. “Look up all” asks the references by artist, titles, album and lengths, and by the sound.</source>
        <translation>Noch wurde niemand gefragt. „Alle nachschlagen“ fragt die Referenzen nach Interpret, Titel, Album und Länge, und nach dem Klang.</translation>
    </message>
    <message>
        <source>No reference knows a code of this recording.</source>
        <translation>Keine Referenz kennt einen Code dieser Aufnahme.</translation>
    </message>
    <message>
        <source>Refused: %1</source>
        <translation>Abgelehnt: %1</translation>
    </message>
    <message>
        <source>Confirmed by the sound.</source>
        <translation>Vom Klang bestätigt.</translation>
    </message>
    <message>
        <source>Take this code</source>
        <translation>Diesen Code übernehmen</translation>
    </message>
    <message>
        <source>Take it all the same</source>
        <translation>Trotzdem übernehmen</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Show in the library: %1</source>
        <translation>In der Bibliothek zeigen: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodeGapsModel</name>
    <message>
        <source>a draft</source>
        <translation>ein Entwurf</translation>
    </message>
    <message>
        <source>not looked up yet</source>
        <translation>noch nicht nachgeschlagen</translation>
    </message>
    <message>
        <source>nobody knows one</source>
        <translation>niemand kennt einen</translation>
    </message>
    <message>
        <source>%1, and it sounds the same</source>
        <translation>%1, und es klingt gleich</translation>
    </message>
    <message>
        <source>%1</source>
        <translation>%1</translation>
    </message>
    <message>
        <source>refused: %1</source>
        <translation>abgelehnt: %1</translation>
    </message>
    <message numerus="yes">
        <source>%n code(s) to choose from</source>
        <translation>
            <numerusform>%n Code zur Wahl</numerusform>
            <numerusform>%n Codes zur Wahl</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodesController</name>
    <message>
        <source>Looking for codes that are missing</source>
        <translation>Fehlende Codes werden gesucht</translation>
    </message>
    <message>
        <source>Looking up codes</source>
        <translation>Codes werden nachgeschlagen</translation>
    </message>
    <message>
        <source>The library is still being read.</source>
        <translation>Die Bibliothek wird noch gelesen.</translation>
    </message>
    <message numerus="yes">
        <source>%n code(s)</source>
        <translation>
            <numerusform>%n Code</numerusform>
            <numerusform>%n Codes</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Proposed: %n code(s).</source>
        <translation>
            <numerusform>Vorgeschlagen: %n Code.</numerusform>
            <numerusform>Vorgeschlagen: %n Codes.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation>
            <numerusform>In %n Datei kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
            <numerusform>In %n Dateien kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodesView</name>
    <message>
        <source>Recordings without an ISRC</source>
        <translation>Aufnahmen ohne ISRC</translation>
    </message>
    <message>
        <source>Look up all</source>
        <translation>Alle nachschlagen</translation>
    </message>
    <message>
        <source>Own codes…</source>
        <translation>Eigene Codes…</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message numerus="yes">
        <source>Take %n sure code(s)</source>
        <translation>
            <numerusform>%n sicheren Code übernehmen</numerusform>
            <numerusform>%n sichere Codes übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Looking up … %L1 of %L2</source>
        <translation>Wird nachgeschlagen … %L1 von %L2</translation>
    </message>
    <message numerus="yes">
        <source>%n without an ISRC</source>
        <translation>
            <numerusform>%n ohne ISRC</numerusform>
            <numerusform>%n ohne ISRC</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionDialog</name>
    <message>
        <source>Only me</source>
        <translation>Nur ich</translation>
    </message>
    <message>
        <source>The people named here</source>
        <translation>Die hier genannten Personen</translation>
    </message>
    <message>
        <source>Everyone</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>Where it is shown to others: on pages that are shared</source>
        <translation>Wo es anderen gezeigt wird: auf Seiten, die geteilt werden</translation>
    </message>
    <message>
        <source>Names, with semicolons between them</source>
        <translation>Namen, mit Semikolon dazwischen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suche</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>Who may see it</source>
        <translation>Wer es sehen darf</translation>
    </message>
    <message>
        <source>People</source>
        <translation>Personen</translation>
    </message>
    <message>
        <source>Make</source>
        <translation>Anlegen</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Name at least one of the people who may see it.</source>
        <translation>Nennen Sie mindestens eine Person, die es sehen darf.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionMenus</name>
    <message>
        <source>New folder</source>
        <translation>Neuer Ordner</translation>
    </message>
    <message>
        <source>New list</source>
        <translation>Neue Liste</translation>
    </message>
    <message>
        <source>Save search</source>
        <translation>Suche behalten</translation>
    </message>
    <message>
        <source>New list…</source>
        <translation>Neue Liste…</translation>
    </message>
    <message numerus="yes">
        <source>New list of %n chosen track(s)…</source>
        <translation>
            <numerusform>Neue Liste aus %n gewählten Stück…</numerusform>
            <numerusform>Neue Liste aus %n gewählten Stücken…</numerusform>
        </translation>
    </message>
    <message>
        <source>New folder…</source>
        <translation>Neuer Ordner…</translation>
    </message>
    <message>
        <source>Save this search…</source>
        <translation>Diese Suche behalten…</translation>
    </message>
    <message>
        <source>Import playlist…</source>
        <translation>Wiedergabeliste hereinholen…</translation>
    </message>
    <message>
        <source>Order</source>
        <translation>Reihenfolge</translation>
    </message>
    <message>
        <source>As arranged here by all</source>
        <translation>Wie hier von allen angeordnet</translation>
    </message>
    <message>
        <source>My own order</source>
        <translation>Meine eigene Reihenfolge</translation>
    </message>
    <message>
        <source>By name</source>
        <translation>Nach Namen</translation>
    </message>
    <message>
        <source>Newest first</source>
        <translation>Neueste zuerst</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Export playlist…</source>
        <translation>Wiedergabeliste ausgeben…</translation>
    </message>
    <message>
        <source>Another list of these tracks</source>
        <translation>Noch eine Liste dieser Stücke</translation>
    </message>
    <message>
        <source>%1, copy</source>
        <translation>%1, Kopie</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suche</translation>
    </message>
    <message>
        <source>Rename	F2</source>
        <translation>Umbenennen	F2</translation>
    </message>
    <message>
        <source>Properties…</source>
        <translation>Eigenschaften…</translation>
    </message>
    <message>
        <source>Remove with all that is in it	Del</source>
        <translation>Mit allem darin entfernen	Entf</translation>
    </message>
    <message>
        <source>Remove from here	Del</source>
        <translation>Von hier entfernen	Entf</translation>
    </message>
    <message>
        <source>Add to list</source>
        <translation>Zur Liste hinzufügen</translation>
    </message>
    <message>
        <source>There is nothing to export: the list is empty.</source>
        <translation>Es ist nichts auszugeben: die Liste ist leer.</translation>
    </message>
    <message>
        <source>Import playlist</source>
        <translation>Wiedergabeliste hereinholen</translation>
    </message>
    <message>
        <source>Playlists (*.m3u8 *.m3u *.xspf);;All files (*)</source>
        <translation>Wiedergabelisten (*.m3u8 *.m3u *.xspf);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>“%1” has no entries.</source>
        <translation>„%1“ hat keine Einträge.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionTree</name>
    <message>
        <source>Collections</source>
        <translation>Sammlungen</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Folder %1</source>
        <translation>Ordner %1</translation>
    </message>
    <message>
        <source>List %1, %2</source>
        <translation>Liste %1, %2</translation>
    </message>
    <message>
        <source>Search %1, %2</source>
        <translation>Suche %1, %2</translation>
    </message>
    <message>
        <source>, chosen</source>
        <translation>, gewählt</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionsController</name>
    <message>
        <source>New: %1</source>
        <translation>Neu: %1</translation>
    </message>
    <message>
        <source>Change %1</source>
        <translation>%1 ändern</translation>
    </message>
    <message>
        <source>Also in another folder</source>
        <translation>Auch in einem anderen Ordner</translation>
    </message>
    <message>
        <source>Move a collection</source>
        <translation>Sammlung verschieben</translation>
    </message>
    <message>
        <source>Remove a collection</source>
        <translation>Sammlung entfernen</translation>
    </message>
    <message>
        <source>“%1” was removed. Ctrl+Z brings it back.</source>
        <translation>„%1“ wurde entfernt. Strg+Z holt es zurück.</translation>
    </message>
    <message>
        <source>Add to %1</source>
        <translation>Zu %1 hinzufügen</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) added to “%1”.</source>
        <translation>
            <numerusform>%n Stück zu „%1“ hinzugefügt.</numerusform>
            <numerusform>%n Stücke zu „%1“ hinzugefügt.</numerusform>
        </translation>
    </message>
    <message>
        <source>Remove from a list</source>
        <translation>Aus einer Liste entfernen</translation>
    </message>
    <message>
        <source>Move in a list</source>
        <translation>In einer Liste verschieben</translation>
    </message>
    <message>
        <source>Put a list in order</source>
        <translation>Eine Liste ordnen</translation>
    </message>
    <message>
        <source>Writing the playlist</source>
        <translation>Die Wiedergabeliste wird geschrieben</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) written to “%1”.</source>
        <translation>
            <numerusform>%n Stück in „%1“ geschrieben.</numerusform>
            <numerusform>%n Stücke in „%1“ geschrieben.</numerusform>
        </translation>
    </message>
    <message>
        <source>Reading the playlist</source>
        <translation>Die Wiedergabeliste wird gelesen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ColumnEditor</name>
    <message>
        <source>Heading of the column</source>
        <translation>Überschrift der Spalte</translation>
    </message>
    <message>
        <source>always the same text</source>
        <translation>immer derselbe Text</translation>
    </message>
    <message>
        <source>The text that stands in every row</source>
        <translation>Der Text, der in jeder Zeile steht</translation>
    </message>
    <message>
        <source>What stands between the parts</source>
        <translation>Was zwischen den Teilen steht</translation>
    </message>
    <message>
        <source>in one cell, joined by</source>
        <translation>in einer Zelle, verbunden durch</translation>
    </message>
    <message>
        <source>only the first</source>
        <translation>nur der erste</translation>
    </message>
    <message>
        <source>in columns of their own</source>
        <translation>in eigenen Spalten</translation>
    </message>
    <message>
        <source>Several values</source>
        <translation>Mehrere Werte</translation>
    </message>
    <message>
        <source>What stands between several values</source>
        <translation>Was zwischen mehreren Werten steht</translation>
    </message>
    <message>
        <source>How many columns</source>
        <translation>Wie viele Spalten</translation>
    </message>
    <message>
        <source>3:41</source>
        <translation>3:41</translation>
    </message>
    <message>
        <source>0:03:41</source>
        <translation>0:03:41</translation>
    </message>
    <message>
        <source>221.400 seconds</source>
        <translation>221,400 Sekunden</translation>
    </message>
    <message>
        <source>221400 milliseconds</source>
        <translation>221400 Millisekunden</translation>
    </message>
    <message>
        <source>How lengths are told</source>
        <translation>Wie Längen angegeben werden</translation>
    </message>
    <message>
        <source>Heading</source>
        <translation>Überschrift</translation>
    </message>
    <message>
        <source>Says</source>
        <translation>Sagt</translation>
    </message>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Between</source>
        <translation>Dazwischen</translation>
    </message>
    <message>
        <source>Several</source>
        <translation>Mehrere</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CommandFinder</name>
    <message>
        <source>Find a command</source>
        <translation>Befehl finden</translation>
    </message>
    <message>
        <source>What do you want to do?</source>
        <translation>Was möchten Sie tun?</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CompareByEar</name>
    <message>
        <source>Compare by ear</source>
        <translation>Nach Gehör vergleichen</translation>
    </message>
    <message>
        <source>A</source>
        <translation>A</translation>
    </message>
    <message>
        <source>B</source>
        <translation>B</translation>
    </message>
    <message>
        <source>Equally loud</source>
        <translation>Gleich laut</translation>
    </message>
    <message>
        <source>Listen to A</source>
        <translation>A anhören</translation>
    </message>
    <message>
        <source>Change over (X)</source>
        <translation>Wechseln (X)</translation>
    </message>
    <message>
        <source>Hear the other one, at the same place</source>
        <translation>Das andere hören, an derselben Stelle</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>Listen to B</source>
        <translation>B anhören</translation>
    </message>
    <message>
        <source>how loud they are is being measured…</source>
        <translation>wie laut sie sind, wird gemessen…</translation>
    </message>
    <message>
        <source>A %1 LUFS, B %2 LUFS</source>
        <translation>A %1 LUFS, B %2 LUFS</translation>
    </message>
    <message>
        <source>the same sound: places are matched</source>
        <translation>derselbe Klang: die Stellen passen zueinander</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CompareEditions</name>
    <message>
        <source>without a title</source>
        <translation>ohne Titel</translation>
    </message>
    <message>
        <source>one recording</source>
        <translation>eine Aufnahme</translation>
    </message>
    <message>
        <source>the same sound</source>
        <translation>derselbe Klang</translation>
    </message>
    <message>
        <source>the same sound, another length</source>
        <translation>derselbe Klang, andere Länge</translation>
    </message>
    <message>
        <source>the same code</source>
        <translation>derselbe Code</translation>
    </message>
    <message>
        <source>the same code, another length</source>
        <translation>derselbe Code, andere Länge</translation>
    </message>
    <message>
        <source>name and length the same</source>
        <translation>Name und Länge gleich</translation>
    </message>
    <message>
        <source>name and length alike</source>
        <translation>Name und Länge ähnlich</translation>
    </message>
    <message>
        <source>name alike</source>
        <translation>Name ähnlich</translation>
    </message>
    <message>
        <source>Two editions side by side</source>
        <translation>Zwei Ausgaben nebeneinander</translation>
    </message>
    <message>
        <source>Compared with</source>
        <translation>Verglichen mit</translation>
    </message>
    <message>
        <source>What the editions differ in</source>
        <translation>Worin sich die Ausgaben unterscheiden</translation>
    </message>
    <message>
        <source>Shared</source>
        <translation>Gemeinsam</translation>
    </message>
    <message>
        <source>Which recordings they share</source>
        <translation>Welche Aufnahmen sie gemeinsam haben</translation>
    </message>
    <message>
        <source>All pairs that are certain become one recording each (Ctrl+T)</source>
        <translation>Alle sicheren Paare werden je eine Aufnahme (Strg+T)</translation>
    </message>
    <message>
        <source>The same recording</source>
        <translation>Dieselbe Aufnahme</translation>
    </message>
    <message>
        <source>The chosen pair, or the two chosen tracks (Space)</source>
        <translation>Das gewählte Paar, oder die beiden gewählten Stücke (Leertaste)</translation>
    </message>
    <message>
        <source>Not the same</source>
        <translation>Nicht dasselbe</translation>
    </message>
    <message>
        <source>%1 beside</source>
        <translation>%1 daneben</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Nothing in the library is like it.</source>
        <translation>Nichts in der Bibliothek ist wie sie.</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Tracks</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>Comparing two editions</source>
        <translation>Zwei Ausgaben werden verglichen</translation>
    </message>
    <message>
        <source>will be one recording</source>
        <translation>wird eine Aufnahme</translation>
    </message>
    <message>
        <source>will be parted</source>
        <translation>wird getrennt</translation>
    </message>
    <message>
        <source>%1; lengths are %2 s apart</source>
        <translation>%1; die Längen liegen %2 s auseinander</translation>
    </message>
    <message>
        <source>Take all that are certain (%1)</source>
        <translation>Alle sicheren übernehmen (%1)</translation>
    </message>
    <message numerus="yes">
        <source>%n change(s)</source>
        <translation>
            <numerusform>%n Änderung</numerusform>
            <numerusform>%n Änderungen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ComparisonTable</name>
    <message>
        <source>Compare</source>
        <translation>Vergleichen</translation>
    </message>
    <message>
        <source>Chosen</source>
        <translation>Gewählt</translation>
    </message>
    <message>
        <source>Choose</source>
        <translation>Wählen</translation>
    </message>
    <message>
        <source>Chosen: %1</source>
        <translation>Gewählt: %1</translation>
    </message>
    <message>
        <source>Choose %1</source>
        <translation>%1 wählen</translation>
    </message>
    <message>
        <source>not told</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>differs</source>
        <translation>verschieden</translation>
    </message>
    <message>
        <source>taken</source>
        <translation>übernommen</translation>
    </message>
    <message>
        <source>Candidates side by side</source>
        <translation>Kandidaten nebeneinander</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ContentKinds</name>
    <message>
        <source>Music</source>
        <translation>Musik</translation>
    </message>
    <message>
        <source>Speech</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>Ident</source>
        <translation>Kennung</translation>
    </message>
    <message>
        <source>Effect</source>
        <translation>Geräusch</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Kind: %1</source>
        <translation>Art: %1</translation>
    </message>
    <message>
        <source>Confirm kinds</source>
        <translation>Arten bestätigen</translation>
    </message>
    <message>
        <source>Listening for speech, idents and tones</source>
        <translation>Es wird auf Sprache, Kennungen und Töne gehört</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Controllers</name>
    <message>
        <source>Which folders were its shelves is not known any more. Add them in Settings: they are read at once.</source>
        <translation>Welche Ordner ihre Regale waren, ist nicht mehr bekannt. Fügen Sie sie in den Einstellungen hinzu: sie werden gleich gelesen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CopyFieldsDialog</name>
    <message>
        <source>Copy fields from “%1”</source>
        <translation>Felder von „%1“ kopieren</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>Will be</source>
        <translation>Wird</translation>
    </message>
    <message>
        <source>Is now</source>
        <translation>Ist jetzt</translation>
    </message>
    <message>
        <source>Fields that are copied</source>
        <translation>Felder, die kopiert werden</translation>
    </message>
    <message>
        <source>The others have all of its fields already.</source>
        <translation>Die anderen haben schon alle seine Felder.</translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation>
            <numerusform>%n Wert</numerusform>
            <numerusform>%n Werte</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CopySharesDialog</name>
    <message>
        <source>Copy shares from another song</source>
        <translation>Anteile eines anderen Songs kopieren</translation>
    </message>
    <message numerus="yes">
        <source>Shares of another song for %n chosen one(s)</source>
        <translation>
            <numerusform>Anteile eines anderen Songs für %n gewählten</numerusform>
            <numerusform>Anteile eines anderen Songs für %n gewählte</numerusform>
        </translation>
    </message>
    <message>
        <source>Search: title, name …</source>
        <translation>Suche: Titel, Name …</translation>
    </message>
    <message>
        <source>Search the works</source>
        <translation>Werke durchsuchen</translation>
    </message>
    <message>
        <source>Works with shares</source>
        <translation>Werke mit Anteilen</translation>
    </message>
    <message>
        <source>Writers</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>Publishers</source>
        <translation>Verlage</translation>
    </message>
    <message>
        <source>What is copied:</source>
        <translation>Was kopiert wird:</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>Writers: %1</source>
        <translation>Urheber: %1</translation>
    </message>
    <message>
        <source>Publishers: %1</source>
        <translation>Verlage: %1</translation>
    </message>
    <message>
        <source>Choose the song whose shares are the same.</source>
        <translation>Wählen Sie den Song, dessen Anteile dieselben sind.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CoursePlot</name>
    <message>
        <source>Findings day by day</source>
        <translation>Befunde Tag für Tag</translation>
    </message>
    <message>
        <source>%1: %L2</source>
        <translation>%1: %L2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CustomFieldDialog</name>
    <message>
        <source>Describe a custom field</source>
        <translation>Eigenes Feld beschreiben</translation>
    </message>
    <message>
        <source>A new custom field</source>
        <translation>Ein neues eigenes Feld</translation>
    </message>
    <message>
        <source>As it is called everywhere, such as “Source tape”</source>
        <translation>Wie es überall heißt, etwa „Quellband“</translation>
    </message>
    <message>
        <source>May hold several values</source>
        <translation>Darf mehrere Werte haben</translation>
    </message>
    <message>
        <source>One a line</source>
        <translation>Einer je Zeile</translation>
    </message>
    <message>
        <source>List</source>
        <translation>Liste</translation>
    </message>
    <message>
        <source>Label</source>
        <translation>Bezeichnung</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Name in files</source>
        <translation>Name in Dateien</translation>
    </message>
    <message>
        <source>Change</source>
        <translation>Ändern</translation>
    </message>
    <message>
        <source>Describe</source>
        <translation>Beschreiben</translation>
    </message>
    <message>
        <source>Values that are in files stay as they are.</source>
        <translation>Werte, die in Dateien stehen, bleiben, wie sie sind.</translation>
    </message>
    <message>
        <source>NAME</source>
        <translation>NAME</translation>
    </message>
    <message>
        <source>It never changes, so that nothing in files is lost from sight.</source>
        <translation>Er ändert sich nie, damit nichts in den Dateien aus dem Blick gerät.</translation>
    </message>
    <message>
        <source>MP3, WAV and AIFF have it as user text “%1”, FLAC and Ogg as %1, all others as a free name.</source>
        <translation>MP3, WAV und AIFF haben es als freien Text „%1“, FLAC und Ogg als %1, alle anderen als freien Namen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CustomFieldList</name>
    <message>
        <source>number</source>
        <translation>Zahl</translation>
    </message>
    <message>
        <source>date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>yes or no</source>
        <translation>ja oder nein</translation>
    </message>
    <message>
        <source>choice: %1</source>
        <translation>Auswahl: %1</translation>
    </message>
    <message>
        <source>text, several values</source>
        <translation>Text, mehrere Werte</translation>
    </message>
    <message>
        <source>text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>Add a field…</source>
        <translation>Feld hinzufügen…</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>found in files: text, as it is</source>
        <translation>in Dateien gefunden: Text, wie er ist</translation>
    </message>
    <message>
        <source>Describe…</source>
        <translation>Beschreiben…</translation>
    </message>
    <message>
        <source>Change…</source>
        <translation>Ändern…</translation>
    </message>
    <message>
        <source>Forget…</source>
        <translation>Vergessen…</translation>
    </message>
    <message>
        <source>None yet.</source>
        <translation>Noch keins.</translation>
    </message>
    <message>
        <source>Forget a custom field</source>
        <translation>Eigenes Feld vergessen</translation>
    </message>
    <message>
        <source>What “%1” is, is forgotten. Its values stay in the files: they are shown as text, under the name %2.</source>
        <translation>Was „%1“ ist, wird vergessen. Seine Werte bleiben in den Dateien: sie werden als Text gezeigt, unter dem Namen %2.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CustomFields</name>
    <message>
        <source>The custom fields of the library could not be read: they are shown as text, under their names in files. %1</source>
        <translation>Die eigenen Felder der Bibliothek konnten nicht gelesen werden: sie werden als Text gezeigt, unter ihren Namen in den Dateien. %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeliverPage</name>
    <message>
        <source>Deliver</source>
        <translation>Weitergeben</translation>
    </message>
    <message>
        <source>Ways out of the library</source>
        <translation>Wege aus der Bibliothek</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>for %1</source>
        <translation>für %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeliverView</name>
    <message>
        <source>%1 (*%2);;All files (*)</source>
        <translation>%1 (*%2);;Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeliveryBox</name>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>For %1</source>
        <translation>Für %1</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>All of it is as it was then.</source>
        <translation>Alles ist, wie es damals war.</translation>
    </message>
    <message numerus="yes">
        <source>Changed since: %n track(s).</source>
        <translation>
            <numerusform>Seither geändert: %n Stück.</numerusform>
            <numerusform>Seither geändert: %n Stücke.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Not in the library any more: %n track(s).</source>
        <translation>
            <numerusform>Nicht mehr in der Bibliothek: %n Stück.</numerusform>
            <numerusform>Nicht mehr in der Bibliothek: %n Stücke.</numerusform>
        </translation>
    </message>
    <message>
        <source>What came back</source>
        <translation>Was zurückkam</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DescribePage</name>
    <message>
        <source>Read from names…</source>
        <translation>Aus Namen lesen…</translation>
    </message>
    <message>
        <source>Casing ▾</source>
        <translation>Schreibung ▾</translation>
    </message>
    <message>
        <source>Title Case</source>
        <translation>Titelschreibung</translation>
    </message>
    <message>
        <source>Sentence case</source>
        <translation>Satzschreibung</translation>
    </message>
    <message>
        <source>lower case</source>
        <translation>kleinbuchstaben</translation>
    </message>
    <message>
        <source>UPPER CASE</source>
        <translation>GROSSBUCHSTABEN</translation>
    </message>
    <message>
        <source>Number tracks</source>
        <translation>Stücke zählen</translation>
    </message>
    <message>
        <source>Gives the selected files the numbers 1, 2, 3 ... in the order shown</source>
        <translation>Gibt den gewählten Dateien die Nummern 1, 2, 3 ... in der gezeigten Reihenfolge</translation>
    </message>
    <message>
        <source>Change ▾</source>
        <translation>Ändern ▾</translation>
    </message>
    <message>
        <source>Find and replace, split, swap, tidy and more; and your chains of them</source>
        <translation>Suchen und ersetzen, teilen, tauschen, aufräumen und mehr; und Ihre Ketten daraus</translation>
    </message>
    <message>
        <source>Columns ▾</source>
        <translation>Spalten ▾</translation>
    </message>
    <message>
        <source>Undo (Ctrl+Z)</source>
        <translation>Rückgängig (Strg+Z)</translation>
    </message>
    <message>
        <source>Redo (Ctrl+Shift+Z)</source>
        <translation>Wiederholen (Strg+Umschalt+Z)</translation>
    </message>
    <message>
        <source>This is what is on disk</source>
        <translation>Das ist, was auf der Platte steht</translation>
    </message>
    <message>
        <source>Sheet of files and fields</source>
        <translation>Tabelle der Dateien und Felder</translation>
    </message>
    <message>
        <source>Folder by folder…</source>
        <translation>Ordner für Ordner…</translation>
    </message>
    <message>
        <source>No file is like this</source>
        <translation>Keine Datei ist so</translation>
    </message>
    <message>
        <source>The line above lets none of these files through.</source>
        <translation>Die Zeile oben lässt keine dieser Dateien durch.</translation>
    </message>
    <message>
        <source>Show all of them</source>
        <translation>Alle zeigen</translation>
    </message>
    <message>
        <source>As they were given</source>
        <translation>Wie sie kamen</translation>
    </message>
    <message>
        <source>Undo %1 (Ctrl+Z)</source>
        <translation>%1 rückgängig (Strg+Z)</translation>
    </message>
    <message>
        <source>Redo %1 (Ctrl+Shift+Z)</source>
        <translation>%1 wiederholen (Strg+Umschalt+Z)</translation>
    </message>
    <message>
        <source>Copy fields to others…</source>
        <translation>Felder auf andere kopieren…</translation>
    </message>
    <message>
        <source>Mend the text…</source>
        <translation>Text berichtigen…</translation>
    </message>
    <message>
        <source>%1…</source>
        <translation>%1…</translation>
    </message>
    <message>
        <source>Look up codes that are missing…</source>
        <translation>Fehlende Codes nachschlagen…</translation>
    </message>
    <message>
        <source>Chains</source>
        <translation>Ketten</translation>
    </message>
    <message>
        <source>Casing</source>
        <translation>Schreibung</translation>
    </message>
    <message>
        <source>Fill down	Ctrl+D</source>
        <translation>Nach unten füllen	Strg+D</translation>
    </message>
    <message>
        <source>Fill a series	Ctrl+Shift+D</source>
        <translation>Reihe füllen	Strg+Umschalt+D</translation>
    </message>
    <message>
        <source>Copy	Ctrl+C</source>
        <translation>Kopieren	Strg+C</translation>
    </message>
    <message>
        <source>Paste	Ctrl+V</source>
        <translation>Einfügen	Strg+V</translation>
    </message>
    <message>
        <source>Blank	Delete</source>
        <translation>Leeren	Entf</translation>
    </message>
    <message>
        <source>Drop drafts	Ctrl+Backspace</source>
        <translation>Entwürfe verwerfen	Strg+Rücktaste</translation>
    </message>
    <message>
        <source>Play	Space</source>
        <translation>Abspielen	Leertaste</translation>
    </message>
    <message>
        <source>Remove from the batch (the files stay as they are)</source>
        <translation>Aus dem Stapel nehmen (die Dateien bleiben, wie sie sind)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeviceView</name>
    <message>
        <source>Comes</source>
        <translation>Kommt</translation>
    </message>
    <message>
        <source>Changes</source>
        <translation>Ändert sich</translation>
    </message>
    <message>
        <source>Goes</source>
        <translation>Geht</translation>
    </message>
    <message>
        <source>Cannot come</source>
        <translation>Kann nicht kommen</translation>
    </message>
    <message>
        <source>Is there</source>
        <translation>Ist da</translation>
    </message>
    <message>
        <source>No device yet</source>
        <translation>Noch kein Gerät</translation>
    </message>
    <message>
        <source>A player, a telephone, a memory stick or a plain folder is kept in step with tracks of the library: what comes, changes and goes is shown before. Two simulated devices ship with the application, to try it.</source>
        <translation>Ein Player, ein Telefon, ein Speicherstick oder ein einfacher Ordner wird mit Stücken der Bibliothek auf dem Stand gehalten: was kommt, sich ändert und geht, wird vorher gezeigt. Zwei simulierte Geräte liegen bei, zum Ausprobieren.</translation>
    </message>
    <message>
        <source>Add a device…</source>
        <translation>Gerät hinzufügen…</translation>
    </message>
    <message>
        <source>Device</source>
        <translation>Gerät</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen…</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
    <message>
        <source>Profile…</source>
        <translation>Profil…</translation>
    </message>
    <message>
        <source>How full the device is</source>
        <translation>Wie voll das Gerät ist</translation>
    </message>
    <message>
        <source>What it does not play becomes</source>
        <translation>Was es nicht spielt, wird</translation>
    </message>
    <message>
        <source>As loud as the track gain says</source>
        <translation>So laut, wie der Track Gain sagt</translation>
    </message>
    <message>
        <source>nothing is noted</source>
        <translation>nichts wird notiert</translation>
    </message>
    <message>
        <source>Use that is noted of the tracks</source>
        <translation>Verwendung, die bei den Stücken notiert wird</translation>
    </message>
    <message>
        <source>Hand on as a file…</source>
        <translation>Als Datei weitergeben…</translation>
    </message>
    <message>
        <source>Hand on the profile</source>
        <translation>Profil weitergeben</translation>
    </message>
    <message>
        <source>Profiles (*.json)</source>
        <translation>Profile (*.json)</translation>
    </message>
    <message>
        <source>Take in from a file…</source>
        <translation>Aus einer Datei übernehmen…</translation>
    </message>
    <message>
        <source>Take in a profile</source>
        <translation>Profil übernehmen</translation>
    </message>
    <message>
        <source>Others become</source>
        <translation>Andere werden</translation>
    </message>
    <message>
        <source>Note the use</source>
        <translation>Verwendung notieren</translation>
    </message>
    <message>
        <source>To be on it</source>
        <translation>Soll darauf sein</translation>
    </message>
    <message>
        <source>Names on it</source>
        <translation>Namen darauf</translation>
    </message>
    <message>
        <source>How</source>
        <translation>Wie</translation>
    </message>
    <message>
        <source>Look again</source>
        <translation>Noch einmal ansehen</translation>
    </message>
    <message>
        <source>Bring into step</source>
        <translation>Auf den Stand bringen</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>On the device</source>
        <translation>Auf dem Gerät</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>What comes to the device, changes and goes</source>
        <translation>Was auf das Gerät kommt, sich ändert und geht</translation>
    </message>
    <message>
        <source>A folder or a mounted device…</source>
        <translation>Ein Ordner oder ein eingehängtes Gerät…</translation>
    </message>
    <message>
        <source>A small player of 64 MB (simulated)</source>
        <translation>Ein kleiner Player mit 64 MB (simuliert)</translation>
    </message>
    <message>
        <source>A telephone (simulated)</source>
        <translation>Ein Telefon (simuliert)</translation>
    </message>
    <message>
        <source>The folder of the device</source>
        <translation>Der Ordner des Geräts</translation>
    </message>
    <message>
        <source>Add a device</source>
        <translation>Gerät hinzufügen</translation>
    </message>
    <message>
        <source>What it is like:</source>
        <translation>Wie es ist:</translation>
    </message>
    <message>
        <source>plays %1</source>
        <translation>spielt %1</translation>
    </message>
    <message>
        <source>up to %1 kHz</source>
        <translation>bis %1 kHz</translation>
    </message>
    <message>
        <source>pictures of %1 px</source>
        <translation>Bilder mit %1 px</translation>
    </message>
    <message>
        <source>Nothing yet.</source>
        <translation>Noch nichts.</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1: %n track(s)</source>
        <translation>
            <numerusform>%1: %n Stück</numerusform>
            <numerusform>%1: %n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>What goes out is to be on it</source>
        <translation>Was hinausgeht, soll darauf sein</translation>
    </message>
    <message>
        <source>Choose tracks on the left</source>
        <translation>Wählen Sie links Stücke</translation>
    </message>
    <message>
        <source>Looking at the device …</source>
        <translation>Das Gerät wird angesehen …</translation>
    </message>
    <message>
        <source>%1 of ours then, %2 more would have room</source>
        <translation>%1 von uns dann, %2 mehr hätten Platz</translation>
    </message>
    <message>
        <source>Made anew for it.</source>
        <translation>Dafür neu gemacht.</translation>
    </message>
    <message>
        <source>%1 come</source>
        <translation>%1 kommen</translation>
    </message>
    <message>
        <source>%1 change</source>
        <translation>%1 ändern sich</translation>
    </message>
    <message>
        <source>%1 go</source>
        <translation>%1 gehen</translation>
    </message>
    <message>
        <source>%1 there</source>
        <translation>%1 da</translation>
    </message>
    <message>
        <source>%1 cannot come</source>
        <translation>%1 können nicht kommen</translation>
    </message>
    <message>
        <source>%1 changed there by others, left alone</source>
        <translation>%1 dort von anderen geändert, unberührt</translation>
    </message>
    <message>
        <source>Being brought into step …</source>
        <translation>Wird auf den Stand gebracht …</translation>
    </message>
    <message>
        <source>Nothing is to be on it yet.</source>
        <translation>Noch soll nichts darauf sein.</translation>
    </message>
    <message>
        <source>In step · %1</source>
        <translation>Auf dem Stand · %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DevicesController</name>
    <message>
        <source>Looking at %1</source>
        <translation>%1 wird angesehen</translation>
    </message>
    <message>
        <source>Bringing %1 into step</source>
        <translation>%1 wird auf den Stand gebracht</translation>
    </message>
    <message numerus="yes">
        <source>came: %n</source>
        <translation>
            <numerusform>gekommen: %n</numerusform>
            <numerusform>gekommen: %n</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>changed: %n</source>
        <translation>
            <numerusform>geändert: %n</numerusform>
            <numerusform>geändert: %n</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>gone: %n</source>
        <translation>
            <numerusform>gegangen: %n</numerusform>
            <numerusform>gegangen: %n</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 %2.</source>
        <translation>%1 %2.</translation>
    </message>
    <message>
        <source>is as it was</source>
        <translation>ist, wie es war</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be done: %1</source>
        <translation>
            <numerusform>%n Datei ging nicht: %1</numerusform>
            <numerusform>%n Dateien gingen nicht: %1</numerusform>
        </translation>
    </message>
    <message>
        <source>broken off</source>
        <translation>abgebrochen</translation>
    </message>
    <message>
        <source>Use: %1</source>
        <translation>Verwendung: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscAnswers</name>
    <message>
        <source>only what differs</source>
        <translation>nur was verschieden ist</translation>
    </message>
    <message>
        <source>What the references say of the disc</source>
        <translation>Was die Referenzen über die Disc sagen</translation>
    </message>
    <message>
        <source>At its head an answer is chosen as a whole; a click on a value takes that one alone.</source>
        <translation>Im Kopf wird eine Antwort als Ganzes gewählt; ein Klick auf einen Wert nimmt nur diesen.</translation>
    </message>
    <message numerus="yes">
        <source>%n answer(s) with this very table</source>
        <translation>
            <numerusform>%n Antwort mit genau dieser Tabelle</numerusform>
            <numerusform>%n Antworten mit genau dieser Tabelle</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n answer(s) with nearly this table</source>
        <translation>
            <numerusform>%n Antwort mit fast dieser Tabelle</numerusform>
            <numerusform>%n Antworten mit fast dieser Tabelle</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n answer(s) by name; their tables are not told</source>
        <translation>
            <numerusform>%n Antwort nach Namen; ihre Tabelle ist nicht gesagt</numerusform>
            <numerusform>%n Antworten nach Namen; ihre Tabellen sind nicht gesagt</numerusform>
        </translation>
    </message>
    <message>
        <source>On the disc</source>
        <translation>Auf der Disc</translation>
    </message>
    <message>
        <source>Told by</source>
        <translation>Gesagt von</translation>
    </message>
    <message>
        <source>the disc itself</source>
        <translation>die Disc selbst</translation>
    </message>
    <message>
        <source>Table</source>
        <translation>Tabelle</translation>
    </message>
    <message>
        <source>this disc</source>
        <translation>diese Disc</translation>
    </message>
    <message>
        <source>not told</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>the same</source>
        <translation>dieselbe</translation>
    </message>
    <message>
        <source>up to %1 s apart</source>
        <translation>bis zu %1 s auseinander</translation>
    </message>
    <message>
        <source>Track %1</source>
        <translation>Stück %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscDialog</name>
    <message numerus="yes">
        <source>%n track(s), ripped</source>
        <translation>
            <numerusform>%n Stück, ausgelesen</numerusform>
            <numerusform>%n Stücke, ausgelesen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>taken out, %n track(s)</source>
        <translation>
            <numerusform>herausgenommen, %n Stück</numerusform>
            <numerusform>herausgenommen, %n Stücke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>image, %n track(s)</source>
        <translation>
            <numerusform>Abbild, %n Stück</numerusform>
            <numerusform>Abbild, %n Stücke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1, %n track(s)</source>
        <translation>
            <numerusform>%1, %n Stück</numerusform>
            <numerusform>%1, %n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Read discs</source>
        <translation>Discs lesen</translation>
    </message>
    <message>
        <source>No disc yet</source>
        <translation>Noch keine Disc</translation>
    </message>
    <message>
        <source>Put a disc into a drive and read it, or open the cue sheet of a disc image. Its table is shown at once; nothing is ripped before you say so.</source>
        <translation>Legen Sie eine Disc in ein Laufwerk und lesen Sie sie, oder öffnen Sie das Cue-Sheet eines Abbilds. Die Tabelle wird gleich gezeigt; ausgelesen wird nichts, bevor Sie es sagen.</translation>
    </message>
    <message>
        <source>Open a disc image…</source>
        <translation>Abbild einer Disc öffnen…</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Discs</source>
        <translation>Discs</translation>
    </message>
    <message>
        <source>Discs and drives</source>
        <translation>Discs und Laufwerke</translation>
    </message>
    <message>
        <source>Read a disc</source>
        <translation>Disc lesen</translation>
    </message>
    <message>
        <source>Drives</source>
        <translation>Laufwerke</translation>
    </message>
    <message>
        <source>no drive was found</source>
        <translation>kein Laufwerk gefunden</translation>
    </message>
    <message>
        <source>Disc images</source>
        <translation>Abbilder</translation>
    </message>
    <message>
        <source>Tame capitals</source>
        <translation>Großbuchstaben zähmen</translation>
    </message>
    <message>
        <source>What the disc says all in capitals gets capitals at the beginnings of words</source>
        <translation>Was die Disc ganz in Großbuchstaben sagt, bekommt sie nur am Anfang der Wörter</translation>
    </message>
    <message>
        <source>Find by disc</source>
        <translation>Nach der Disc finden</translation>
    </message>
    <message>
        <source>Asks the references for the table of the disc, then by what is known of it</source>
        <translation>Fragt die Referenzen nach der Tabelle der Disc, dann nach allem, was von ihr bekannt ist</translation>
    </message>
    <message>
        <source>Replace by these</source>
        <translation>Durch diese ersetzen</translation>
    </message>
    <message>
        <source>The others go to the trash. What was given to them (ratings, collections, notes) stays with these; the journal can take it back.</source>
        <translation>Die anderen gehen in den Papierkorb. Was ihnen gegeben wurde (Bewertungen, Sammlungen, Notizen), bleibt bei diesen; das Journal kann es zurücknehmen.</translation>
    </message>
    <message>
        <source>Open a disc image</source>
        <translation>Abbild einer Disc öffnen</translation>
    </message>
    <message>
        <source>Cue sheets (*.cue *.CUE);;All files (*)</source>
        <translation>Cue-Sheets (*.cue *.CUE);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Rip</source>
        <translation>Auslesen</translation>
    </message>
    <message numerus="yes">
        <source>Rip %n track(s)</source>
        <translation>
            <numerusform>%n Stück auslesen</numerusform>
            <numerusform>%n Stücke auslesen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 before track 1</source>
        <translation>%1 vor Stück 1</translation>
    </message>
    <message>
        <source>nothing before track 1</source>
        <translation>nichts vor Stück 1</translation>
    </message>
    <message>
        <source>media number %1</source>
        <translation>Mediennummer %1</translation>
    </message>
    <message>
        <source>Put aside</source>
        <translation>Beiseitelegen</translation>
    </message>
    <message>
        <source>Eject</source>
        <translation>Auswerfen</translation>
    </message>
    <message>
        <source>Closes the image; nothing of it is changed</source>
        <translation>Schließt das Abbild; daran ändert sich nichts</translation>
    </message>
    <message>
        <source>Opens the drive</source>
        <translation>Öffnet das Laufwerk</translation>
    </message>
    <message>
        <source>Track %1 has pre-emphasis: it sounds brighter than it was meant.</source>
        <translation>Stück %1 hat Pre-Emphasis: es klingt heller, als es gemeint war.</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) with data, no sound: left out.</source>
        <translation>
            <numerusform>%n Stück mit Daten, ohne Klang: ausgelassen.</numerusform>
            <numerusform>%n Stücke mit Daten, ohne Klang: ausgelassen.</numerusform>
        </translation>
    </message>
    <message>
        <source>This disc holds data only: there is no sound to rip.</source>
        <translation>Auf dieser Disc sind nur Daten: es gibt keinen Klang auszulesen.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) in the library have the same sound, but less of it: %1</source>
        <translation>
            <numerusform>%n Datei in der Bibliothek hat denselben Klang, aber weniger davon: %1</numerusform>
            <numerusform>%n Dateien in der Bibliothek haben denselben Klang, aber weniger davon: %1</numerusform>
        </translation>
    </message>
    <message>
        <source>Ripping %1: %2 of %3</source>
        <translation>%1 wird ausgelesen: %2 von %3</translation>
    </message>
    <message>
        <source>%1×</source>
        <translation>%1×</translation>
    </message>
    <message>
        <source>%1 left</source>
        <translation>noch %1</translation>
    </message>
    <message>
        <source>all proven so far</source>
        <translation>bisher alle bewiesen</translation>
    </message>
    <message numerus="yes">
        <source>%n sector(s) read again</source>
        <translation>
            <numerusform>%n Sektor noch einmal gelesen</numerusform>
            <numerusform>%n Sektoren noch einmal gelesen</numerusform>
        </translation>
    </message>
    <message>
        <source>none bad</source>
        <translation>keiner schlecht</translation>
    </message>
    <message>
        <source>%1 bad</source>
        <translation>%1 schlecht</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) are in %1.</source>
        <translation>
            <numerusform>%n Stück liegt in %1.</numerusform>
            <numerusform>%n Stücke liegen in %1.</numerusform>
        </translation>
    </message>
    <message>
        <source>Titles and artists can be corrected before; they go into the files.</source>
        <translation>Titel und Interpreten können vorher berichtigt werden; sie kommen in die Dateien.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscPictures</name>
    <message>
        <source>Fetching pictures</source>
        <translation>Bilder werden geholt</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscPicturesStrip</name>
    <message>
        <source>Pictures of the release</source>
        <translation>Bilder der Veröffentlichung</translation>
    </message>
    <message>
        <source>enlarged: it has less detail than its size</source>
        <translation>vergrößert: es hat weniger Einzelheiten als seine Größe</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscTrackModel</name>
    <message>
        <source>before track 1: tick it to keep it</source>
        <translation>vor Stück 1: ankreuzen, um es zu behalten</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>data</source>
        <translation>Daten</translation>
    </message>
    <message numerus="yes">
        <source>%1, %n read again</source>
        <translation>
            <numerusform>%1, %n noch einmal gelesen</numerusform>
            <numerusform>%1, %n noch einmal gelesen</numerusform>
        </translation>
    </message>
    <message>
        <source>sounds like %1</source>
        <translation>klingt wie %1</translation>
    </message>
    <message numerus="yes">
        <source>%n sector(s) not proven</source>
        <translation>
            <numerusform>%n Sektor nicht bewiesen</numerusform>
            <numerusform>%n Sektoren nicht bewiesen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) read the same</source>
        <translation>
            <numerusform>%n anderer las dasselbe</numerusform>
            <numerusform>%n andere lasen dasselbe</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) read it otherwise</source>
        <translation>
            <numerusform>%n anderer las es anders</numerusform>
            <numerusform>%n andere lasen es anders</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>proven, %n read again</source>
        <translation>
            <numerusform>bewiesen, %n noch einmal gelesen</numerusform>
            <numerusform>bewiesen, %n noch einmal gelesen</numerusform>
        </translation>
    </message>
    <message>
        <source>two readings agree</source>
        <translation>zwei Lesungen stimmen überein</translation>
    </message>
    <message>
        <source>All its sectors read the same twice.</source>
        <translation>Alle seine Sektoren lasen sich zweimal gleich.</translation>
    </message>
    <message>
        <source>Sectors that did not read the same at once: %1, of them never proven: %2. Where they are is in the report.</source>
        <translation>Sektoren, die sich nicht gleich lasen: %1, davon nie bewiesen: %2. Wo sie sind, steht im Bericht.</translation>
    </message>
    <message>
        <source>Readings of others: %1 the same, %2 something else.</source>
        <translation>Lesungen anderer: %1 gleich, %2 etwas anderes.</translation>
    </message>
    <message>
        <source>CRC-32 %1</source>
        <translation>CRC-32 %1</translation>
    </message>
    <message>
        <source>The disc says: %1</source>
        <translation>Die Disc sagt: %1</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>Composer</source>
        <translation>Komponist</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Gap</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>ISRC</source>
        <translation>ISRC</translation>
    </message>
    <message>
        <source>Reading</source>
        <translation>Lesung</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscTrackTable</name>
    <message>
        <source>Tracks of the disc</source>
        <translation>Stücke der Disc</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscsController</name>
    <message>
        <source>no title yet</source>
        <translation>noch ohne Titel</translation>
    </message>
    <message>
        <source>Looking for drives</source>
        <translation>Laufwerke werden gesucht</translation>
    </message>
    <message>
        <source>Reading the table of %1</source>
        <translation>Die Tabelle von %1 wird gelesen</translation>
    </message>
    <message>
        <source>Opening the drive</source>
        <translation>Das Laufwerk wird geöffnet</translation>
    </message>
    <message>
        <source>Looking up %1</source>
        <translation>%1 wird nachgeschlagen</translation>
    </message>
    <message>
        <source>No reference knows this disc. What is typed is what the files get.</source>
        <translation>Keine Referenz kennt diese Disc. Die Dateien bekommen, was eingegeben wird.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Drawer</name>
    <message>
        <source>Fields of the chosen files</source>
        <translation>Felder der gewählten Dateien</translation>
    </message>
    <message>
        <source>Add field…</source>
        <translation>Feld hinzufügen…</translation>
    </message>
    <message>
        <source>Fields ▾</source>
        <translation>Felder ▾</translation>
    </message>
    <message>
        <source>Which fields are shown, and all of them together</source>
        <translation>Welche Felder gezeigt werden, und alle zusammen</translation>
    </message>
    <message>
        <source>A new custom field…</source>
        <translation>Ein neues eigenes Feld…</translation>
    </message>
    <message>
        <source>Fields of the drawer</source>
        <translation>Felder der Schublade</translation>
    </message>
    <message>
        <source>The usual fields</source>
        <translation>Die üblichen Felder</translation>
    </message>
    <message>
        <source>Choose fields…</source>
        <translation>Felder wählen…</translation>
    </message>
    <message numerus="yes">
        <source>Clear all tags of %n file(s)</source>
        <translation>
            <numerusform>Alle Tags von %n Datei leeren</numerusform>
            <numerusform>Alle Tags von %n Dateien leeren</numerusform>
        </translation>
    </message>
    <message>
        <source>Every field and picture becomes blank, as drafts: nothing is written yet</source>
        <translation>Jedes Feld und jedes Bild wird leer, als Entwurf: noch wird nichts geschrieben</translation>
    </message>
    <message>
        <source>cleared</source>
        <translation>geleert</translation>
    </message>
    <message>
        <source>Clear all tags</source>
        <translation>Alle Tags leeren</translation>
    </message>
    <message>
        <source>No files chosen</source>
        <translation>Keine Dateien gewählt</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) together</source>
        <translation>
            <numerusform>%n Datei zusammen</numerusform>
            <numerusform>%n Dateien zusammen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DriveOffsets</name>
    <message>
        <source>Finding the offset of %1</source>
        <translation>Der Versatz von %1 wird gesucht</translation>
    </message>
    <message>
        <source>What others have read of this disc is not what this drive reads, by no offset. Try another disc.</source>
        <translation>Was andere von dieser Disc gelesen haben, liest dieses Laufwerk mit keinem Versatz. Versuchen Sie eine andere Disc.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Duplicates</name>
    <message>
        <source>Looking for the same sound elsewhere</source>
        <translation>Derselbe Klang wird anderswo gesucht</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::EntryDialog</name>
    <message>
        <source>Entries without a file</source>
        <translation>Einträge ohne Datei</translation>
    </message>
    <message numerus="yes">
        <source>%n row(s) become entries of the library whose file is absent: they are found, listed and sent out like others. When a file comes, it takes its place.</source>
        <translation>
            <numerusform>%n Zeile wird ein Eintrag der Bibliothek, dessen Datei nicht da ist: er wird gefunden, aufgelistet und hinausgeschickt wie andere. Kommt eine Datei, tritt sie an seine Stelle.</numerusform>
            <numerusform>%n Zeilen werden Einträge der Bibliothek, deren Dateien nicht da sind: sie werden gefunden, aufgelistet und hinausgeschickt wie andere. Kommt eine Datei, tritt sie an ihre Stelle.</numerusform>
        </translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Another rule</source>
        <translation>Weitere Regel</translation>
    </message>
    <message>
        <source>Add the entries</source>
        <translation>Einträge hinzufügen</translation>
    </message>
    <message>
        <source>What kind of sound a row is that does not say so: the first rule that fits</source>
        <translation>Was für ein Klang eine Zeile ist, die es nicht sagt: die erste Regel, die passt</translation>
    </message>
    <message>
        <source>without an artist</source>
        <translation>ohne Interpret</translation>
    </message>
    <message>
        <source>whoever the artist is</source>
        <translation>wer immer der Interpret ist</translation>
    </message>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>any length</source>
        <translation>jede Länge</translation>
    </message>
    <message>
        <source>shorter than </source>
        <translation>kürzer als </translation>
    </message>
    <message>
        <source>Shorter than</source>
        <translation>Kürzer als</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Remove the rule</source>
        <translation>Regel entfernen</translation>
    </message>
    <message>
        <source>is</source>
        <translation>ist</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::EvidenceBar</name>
    <message>
        <source>Sure: %1</source>
        <translation>Sicher: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FacetPanel</name>
    <message>
        <source>Decade</source>
        <translation>Jahrzehnt</translation>
    </message>
    <message>
        <source>Year</source>
        <translation>Jahr</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Codec</source>
        <translation>Codec</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Missing</source>
        <translation>Fehlend</translation>
    </message>
    <message>
        <source>Readiness</source>
        <translation>Bereitschaft</translation>
    </message>
    <message>
        <source>Rules not met</source>
        <translation>Nicht erfüllte Regeln</translation>
    </message>
    <message>
        <source>Rating</source>
        <translation>Bewertung</translation>
    </message>
    <message>
        <source>Used in</source>
        <translation>Verwendet in</translation>
    </message>
    <message>
        <source>%1s</source>
        <translation>%1er</translation>
    </message>
    <message>
        <source>Ready</source>
        <translation>Fertig</translation>
    </message>
    <message numerus="yes">
        <source>%n rule(s) not met</source>
        <translation>
            <numerusform>%n Regel nicht erfüllt</numerusform>
            <numerusform>%n Regeln nicht erfüllt</numerusform>
        </translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Never used</source>
        <translation>Nie verwendet</translation>
    </message>
    <message>
        <source>Narrow the result</source>
        <translation>Ergebnis einengen</translation>
    </message>
    <message>
        <source>%1, chosen</source>
        <translation>%1, gewählt</translation>
    </message>
    <message>
        <source>Fewer</source>
        <translation>Weniger</translation>
    </message>
    <message>
        <source>More …</source>
        <translation>Mehr …</translation>
    </message>
    <message>
        <source>being worked out…</source>
        <translation>wird ermittelt…</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keins</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FacetRow</name>
    <message>
        <source>At any time</source>
        <translation>Irgendwann</translation>
    </message>
    <message>
        <source>Found today</source>
        <translation>Heute gefunden</translation>
    </message>
    <message>
        <source>In the last 7 days</source>
        <translation>In den letzten 7 Tagen</translation>
    </message>
    <message>
        <source>In the last 30 days</source>
        <translation>In den letzten 30 Tagen</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Veröffentlichung</translation>
    </message>
    <message>
        <source>Since when</source>
        <translation>Seit wann</translation>
    </message>
    <message>
        <source>All shelves</source>
        <translation>Alle Regale</translation>
    </message>
    <message>
        <source>All releases</source>
        <translation>Alle Veröffentlichungen</translation>
    </message>
    <message>
        <source>The chosen release</source>
        <translation>Die gewählte Veröffentlichung</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FactTable</name>
    <message>
        <source>one; another</source>
        <translation>eins; noch eins</translation>
    </message>
    <message>
        <source>names of those who are known; another</source>
        <translation>Namen von Bekannten; weitere</translation>
    </message>
    <message>
        <source>licences: mail@example.org; +47 555 0101</source>
        <translation>Lizenzen: mail@example.org; +47 555 0101</translation>
    </message>
    <message>
        <source>2021-03-14</source>
        <translation>2021-03-14</translation>
    </message>
    <message>
        <source>11 digits</source>
        <translation>11 Ziffern</translation>
    </message>
    <message>
        <source>16 digits</source>
        <translation>16 Ziffern</translation>
    </message>
    <message>
        <source>T and 10 digits</source>
        <translation>T und 10 Ziffern</translation>
    </message>
    <message>
        <source>Nobody who is known is called “%1”. Enter them first.</source>
        <translation>Niemand, der bekannt ist, heißt „%1“. Geben Sie ihn erst ein.</translation>
    </message>
    <message>
        <source>CD, Vinyl, Cassette, File …</source>
        <translation>CD, Vinyl, Kassette, Datei …</translation>
    </message>
    <message>
        <source>Label = number; another label = its number</source>
        <translation>Label = Nummer; weiteres Label = dessen Nummer</translation>
    </message>
    <message>
        <source>1998-10-05 GB; 1998-11-02 NO</source>
        <translation>1998-10-05 GB; 1998-11-02 NO</translation>
    </message>
    <message>
        <source>Name [ &amp; ] Name: what joins the names stands in brackets</source>
        <translation>Name [ &amp; ] Name: was die Namen verbindet, steht in Klammern</translation>
    </message>
    <message>
        <source>13, 12 or 8 digits</source>
        <translation>13, 12 oder 8 Ziffern</translation>
    </message>
    <message>
        <source>read from the files</source>
        <translation>aus den Dateien gelesen</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Each medium has its own: change it at the head of its tracks</source>
        <translation>Jeder Tonträger hat seinen eigenen: ändern Sie ihn im Kopf seiner Stücke</translation>
    </message>
    <message>
        <source>there is none</source>
        <translation>es gibt keins</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>the files say otherwise</source>
        <translation>die Dateien sagen es anders</translation>
    </message>
    <message>
        <source>Where it came from: %1</source>
        <translation>Woher es kam: %1</translation>
    </message>
    <message>
        <source>In the files: %1</source>
        <translation>In den Dateien: %1</translation>
    </message>
    <message>
        <source>What is known</source>
        <translation>Was bekannt ist</translation>
    </message>
    <message>
        <source>Change</source>
        <translation>Ändern</translation>
    </message>
    <message>
        <source>There is none</source>
        <translation>Es gibt keins</translation>
    </message>
    <message>
        <source>Not known</source>
        <translation>Nicht bekannt</translation>
    </message>
    <message>
        <source>As the files tell it</source>
        <translation>Wie die Dateien es sagen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FieldBox</name>
    <message>
        <source>counting…</source>
        <translation>wird gezählt…</translation>
    </message>
    <message>
        <source>%1 × %2</source>
        <translation>%1 × %2</translation>
    </message>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>several origins</source>
        <translation>mehrere Herkünfte</translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation>
            <numerusform>%n Wert</numerusform>
            <numerusform>%n Werte</numerusform>
        </translation>
    </message>
    <message>
        <source>will be blank</source>
        <translation>wird geleert</translation>
    </message>
    <message>
        <source>Ctrl+, begins another value</source>
        <translation>Strg+, beginnt einen weiteren Wert</translation>
    </message>
    <message>
        <source>Draft: %1</source>
        <translation>Entwurf: %1</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>Edit %1 of %2</source>
        <translation>%1 von %2 bearbeiten</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Same %1</source>
        <translation>%1 gleich</translation>
    </message>
    <message>
        <source>Another value	Ctrl+,</source>
        <translation>Weiterer Wert	Strg+,</translation>
    </message>
    <message>
        <source>Keep as they are</source>
        <translation>Behalten, wie sie sind</translation>
    </message>
    <message>
        <source>Blank in all</source>
        <translation>In allen leeren</translation>
    </message>
    <message>
        <source>Blank %1</source>
        <translation>%1 leeren</translation>
    </message>
    <message>
        <source>Drop drafts</source>
        <translation>Entwürfe verwerfen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FieldPicker</name>
    <message>
        <source>Name of a field</source>
        <translation>Name eines Feldes</translation>
    </message>
    <message>
        <source>Narrow the list of fields</source>
        <translation>Liste der Felder einengen</translation>
    </message>
    <message>
        <source>Fields</source>
        <translation>Felder</translation>
    </message>
    <message>
        <source>choose…</source>
        <translation>wählen…</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FieldSetDialog</name>
    <message>
        <source>Find a field</source>
        <translation>Feld finden</translation>
    </message>
    <message>
        <source>Not shown</source>
        <translation>Nicht gezeigt</translation>
    </message>
    <message>
        <source>Shown, in this order</source>
        <translation>Gezeigt, in dieser Reihenfolge</translation>
    </message>
    <message>
        <source>Sets ▾</source>
        <translation>Zusammenstellungen ▾</translation>
    </message>
    <message>
        <source>Show →</source>
        <translation>Zeigen →</translation>
    </message>
    <message>
        <source>← Hide</source>
        <translation>← Verbergen</translation>
    </message>
    <message>
        <source>Earlier (Alt+Up)</source>
        <translation>Früher (Alt+Auf)</translation>
    </message>
    <message>
        <source>Later (Alt+Down)</source>
        <translation>Später (Alt+Ab)</translation>
    </message>
    <message>
        <source>Use these</source>
        <translation>Diese benutzen</translation>
    </message>
    <message>
        <source>Ctrl+Space shows or hides the field that is current.</source>
        <translation>Strg+Leertaste zeigt oder verbirgt das aktuelle Feld.</translation>
    </message>
    <message>
        <source>Keep these as a set…</source>
        <translation>Diese als Zusammenstellung behalten…</translation>
    </message>
    <message>
        <source>Keep as a set</source>
        <translation>Als Zusammenstellung behalten</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FieldsLine</name>
    <message>
        <source>Fields, with commas between them</source>
        <translation>Felder, mit Komma dazwischen</translation>
    </message>
    <message>
        <source>Fields</source>
        <translation>Felder</translation>
    </message>
    <message>
        <source>Choose fields</source>
        <translation>Felder wählen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FileDetails</name>
    <message>
        <source>Mend the text…</source>
        <translation>Text berichtigen…</translation>
    </message>
    <message>
        <source>Shows what the text would be in that encoding. Only drafts are made.</source>
        <translation>Zeigt, was der Text in dieser Kodierung wäre. Es entstehen nur Entwürfe.</translation>
    </message>
    <message>
        <source>Stands on</source>
        <translation>Steht auf</translation>
    </message>
    <message>
        <source>Details</source>
        <translation>Einzelheiten</translation>
    </message>
    <message>
        <source>Nothing chosen</source>
        <translation>Nichts gewählt</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>und %n weitere</numerusform>
            <numerusform>und %n weitere</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) of this recording</source>
        <translation>
            <numerusform>%n Datei dieser Aufnahme</numerusform>
            <numerusform>%n Dateien dieser Aufnahme</numerusform>
        </translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>To look at</source>
        <translation>Anzusehen</translation>
    </message>
    <message>
        <source>The text seems to be %1 that was read as Latin-1: “%2” may be “%3”.</source>
        <translation>Der Text scheint %1 zu sein, das als Latin-1 gelesen wurde: „%2“ könnte „%3“ sein.</translation>
    </message>
    <message>
        <source>%1 in the %2 tag: “%3”</source>
        <translation>%1 im Tag %2: „%3“</translation>
    </message>
    <message>
        <source>%1 (%2 times)</source>
        <translation>%1 (%2-mal)</translation>
    </message>
    <message numerus="yes">
        <source>%n part(s) of the tags were not understood and are kept: %1</source>
        <translation>
            <numerusform>%n Teil der Tags wurde nicht verstanden und bleibt: %1</numerusform>
            <numerusform>%n Teile der Tags wurden nicht verstanden und bleiben: %1</numerusform>
        </translation>
    </message>
    <message>
        <source>Fields</source>
        <translation>Felder</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Readiness</source>
        <translation>Bereitschaft</translation>
    </message>
    <message>
        <source>Its release is ready by the standard “%1”.</source>
        <translation>Die Veröffentlichung ist fertig nach dem Standard „%1“.</translation>
    </message>
    <message>
        <source>Of the standard “%1”, its release meets %2.</source>
        <translation>Vom Standard „%1“ erfüllt die Veröffentlichung %2.</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>, %1 bit</source>
        <translation>, %1 Bit</translation>
    </message>
    <message numerus="yes">
        <source>%L1 Hz, %n channel(s), %2 kbit/s</source>
        <translation>
            <numerusform>%L1 Hz, %n Kanal, %2 kbit/s</numerusform>
            <numerusform>%L1 Hz, %n Kanäle, %2 kbit/s</numerusform>
        </translation>
    </message>
    <message>
        <source>, variable</source>
        <translation>, veränderlich</translation>
    </message>
    <message>
        <source>, constant</source>
        <translation>, fest</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>Encoder</source>
        <translation>Encoder</translation>
    </message>
    <message>
        <source>Gapless</source>
        <translation>Lückenlos</translation>
    </message>
    <message>
        <source>%L1 samples ahead, %L2 behind</source>
        <translation>%L1 Samples davor, %L2 dahinter</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Tags</source>
        <translation>Tags</translation>
    </message>
    <message>
        <source>Written by the recorder</source>
        <translation>Vom Rekorder geschrieben</translation>
    </message>
    <message>
        <source>Where it is</source>
        <translation>Wo sie ist</translation>
    </message>
    <message>
        <source>It is not there: absent since %1. What the library keeps of it stays.</source>
        <translation>Sie ist nicht da: seit %1. Was die Bibliothek von ihr führt, bleibt.</translation>
    </message>
    <message>
        <source>Added</source>
        <translation>Aufgenommen</translation>
    </message>
    <message>
        <source>What happened to it</source>
        <translation>Was mit ihr geschah</translation>
    </message>
    <message>
        <source>Changed: %1</source>
        <translation>Geändert: %1</translation>
    </message>
    <message>
        <source>Came from %1</source>
        <translation>Kam von %1</translation>
    </message>
    <message>
        <source>taken back</source>
        <translation>zurückgenommen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FileReports</name>
    <message>
        <source>Measuring the sound and the pictures of the library</source>
        <translation>Klang und Bilder der Bibliothek werden gemessen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FileTable</name>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Rating</source>
        <translation>Bewertung</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>Playout number</source>
        <translation>Sendenummer</translation>
    </message>
    <message>
        <source>Used in</source>
        <translation>Verwendet in</translation>
    </message>
    <message>
        <source>Last used</source>
        <translation>Zuletzt verwendet</translation>
    </message>
    <message>
        <source>Readiness</source>
        <translation>Bereitschaft</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Sample rate</source>
        <translation>Samplerate</translation>
    </message>
    <message>
        <source>Bits</source>
        <translation>Bit</translation>
    </message>
    <message>
        <source>Channels</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>Bit rate</source>
        <translation>Bitrate</translation>
    </message>
    <message>
        <source>Changed</source>
        <translation>Geändert</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FillCodesDialog</name>
    <message>
        <source>Codes to fill</source>
        <translation>Fehlende Codes</translation>
    </message>
    <message>
        <source>Every track has its ISRC</source>
        <translation>Jedes Stück hat seinen ISRC</translation>
    </message>
    <message>
        <source>Nothing is missing in the chosen releases.</source>
        <translation>In den gewählten Veröffentlichungen fehlt nichts.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FillDialog</name>
    <message>
        <source>Fill a new release</source>
        <translation>Neue Veröffentlichung füllen</translation>
    </message>
    <message>
        <source>Fill “%1”</source>
        <translation>„%1“ füllen</translation>
    </message>
    <message>
        <source>What</source>
        <translation>Was</translation>
    </message>
    <message>
        <source>Will be</source>
        <translation>Wird</translation>
    </message>
    <message>
        <source>Is now</source>
        <translation>Ist jetzt</translation>
    </message>
    <message>
        <source>What would change</source>
        <translation>Was sich ändern würde</translation>
    </message>
    <message>
        <source>Capitals as the language of the titles has them</source>
        <translation>Großschreibung nach der Sprache der Titel</translation>
    </message>
    <message>
        <source>Proposes titles by the rules of the language that the release tells, else of English</source>
        <translation>Schlägt Titel nach den Regeln der Sprache vor, die die Veröffentlichung sagt, sonst des Englischen</translation>
    </message>
    <message>
        <source>What would change is shown here</source>
        <translation>Was sich ändern würde, steht hier</translation>
    </message>
    <message>
        <source>Choose on the left what to fill it from. Nothing is taken before you say so.</source>
        <translation>Wählen Sie links, woraus sie gefüllt werden soll. Nichts wird übernommen, bevor Sie es sagen.</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Nothing would change</source>
        <translation>Nichts würde sich ändern</translation>
    </message>
    <message>
        <source>All that it tells is known already.</source>
        <translation>Alles, was sie sagt, ist schon bekannt.</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>Tracks</source>
        <translation>Stücke</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>goes</source>
        <translation>geht</translation>
    </message>
    <message>
        <source>new</source>
        <translation>neu</translation>
    </message>
    <message numerus="yes">
        <source>%n fact(s)</source>
        <translation>
            <numerusform>%n Angabe</numerusform>
            <numerusform>%n Angaben</numerusform>
        </translation>
    </message>
    <message>
        <source>the tracks</source>
        <translation>die Stücke</translation>
    </message>
    <message>
        <source>Taken: %1. The rest stays as it is.</source>
        <translation>Übernommen: %1. Alles andere bleibt, wie es ist.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FilterBar</name>
    <message>
        <source>Narrow these files: words of any column</source>
        <translation>Diese Dateien einengen: Wörter aus jeder Spalte</translation>
    </message>
    <message>
        <source>Narrow the sheet by words</source>
        <translation>Tabelle nach Wörtern einengen</translation>
    </message>
    <message>
        <source>Which files are shown</source>
        <translation>Welche Dateien gezeigt werden</translation>
    </message>
    <message>
        <source>Show all of them</source>
        <translation>Alle zeigen</translation>
    </message>
    <message>
        <source>with a draft</source>
        <translation>mit Entwurf</translation>
    </message>
    <message>
        <source>without a draft</source>
        <translation>ohne Entwurf</translation>
    </message>
    <message>
        <source>differs in its sleeve</source>
        <translation>weicht in der Hülle ab</translation>
    </message>
    <message>
        <source>lacks %1</source>
        <translation>ohne %1</translation>
    </message>
    <message>
        <source>%1 ▾</source>
        <translation>%1 ▾</translation>
    </message>
    <message>
        <source>All files</source>
        <translation>Alle Dateien</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>With a draft</source>
        <translation>Mit Entwurf</translation>
    </message>
    <message>
        <source>Without a draft</source>
        <translation>Ohne Entwurf</translation>
    </message>
    <message>
        <source>Differs from most of its sleeve</source>
        <translation>Weicht von den meisten der Hülle ab</translation>
    </message>
    <message>
        <source>Lacks</source>
        <translation>Es fehlt</translation>
    </message>
    <message>
        <source>Whatever they lack</source>
        <translation>Was immer fehlt</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Any kind</source>
        <translation>Jede Art</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FindAgainDialog</name>
    <message>
        <source>Find again</source>
        <translation>Wiederfinden</translation>
    </message>
    <message>
        <source>Was</source>
        <translation>War</translation>
    </message>
    <message>
        <source>Is now</source>
        <translation>Ist jetzt</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>Absent files</source>
        <translation>Dateien, die nicht da sind</translation>
    </message>
    <message>
        <source>not found</source>
        <translation>nicht gefunden</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) found again</source>
        <translation>
            <numerusform>%n Datei wiedergefunden</numerusform>
            <numerusform>%n Dateien wiedergefunden</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n not found</source>
        <translation>
            <numerusform>%n nicht gefunden</numerusform>
            <numerusform>%n nicht gefunden</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Follow %n file(s)</source>
        <translation>
            <numerusform>%n Datei folgen</numerusform>
            <numerusform>%n Dateien folgen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FindingBox</name>
    <message>
        <source>Its place: as the plan says</source>
        <translation>Ihr Platz: wie der Plan sagt</translation>
    </message>
    <message numerus="yes">
        <source>As drafts: %n value(s). Nothing is written yet.</source>
        <translation>
            <numerusform>Als Entwürfe: %n Wert. Noch ist nichts geschrieben.</numerusform>
            <numerusform>Als Entwürfe: %n Werte. Noch ist nichts geschrieben.</numerusform>
        </translation>
    </message>
    <message>
        <source>sure: %L1</source>
        <translation>sicher: %L1</translation>
    </message>
    <message>
        <source>found on %1</source>
        <translation>gefunden am %1</translation>
    </message>
    <message>
        <source>Left as it is on %1.</source>
        <translation>Belassen am %1.</translation>
    </message>
    <message>
        <source>Left as it is on %1: %2</source>
        <translation>Belassen am %1: %2</translation>
    </message>
    <message>
        <source>The fix</source>
        <translation>Die Behebung</translation>
    </message>
    <message>
        <source>as it will be …</source>
        <translation>wie es wird …</translation>
    </message>
    <message>
        <source>Show the party</source>
        <translation>Beteiligte zeigen</translation>
    </message>
    <message>
        <source>Show the song</source>
        <translation>Song zeigen</translation>
    </message>
    <message>
        <source>Show the agreement</source>
        <translation>Vereinbarung zeigen</translation>
    </message>
    <message>
        <source>Only the findings of this release</source>
        <translation>Nur die Befunde dieser Veröffentlichung</translation>
    </message>
    <message>
        <source>nothing above %L1 kHz</source>
        <translation>nichts über %L1 kHz</translation>
    </message>
    <message>
        <source>Measured</source>
        <translation>Gemessen</translation>
    </message>
    <message>
        <source>Here</source>
        <translation>Hier</translation>
    </message>
    <message>
        <source>Usually</source>
        <translation>Üblich</translation>
    </message>
    <message>
        <source>Track</source>
        <translation>Stück</translation>
    </message>
    <message>
        <source>Now</source>
        <translation>Jetzt</translation>
    </message>
    <message>
        <source>By the plan</source>
        <translation>Nach dem Plan</translation>
    </message>
    <message>
        <source>Evidence</source>
        <translation>Belege</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>track %1</source>
        <translation>Stück %1</translation>
    </message>
    <message>
        <source>and %L1 more</source>
        <translation>und %L1 weitere</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FindingsModel</name>
    <message>
        <source>grave</source>
        <translation>schwer</translation>
    </message>
    <message>
        <source>plain</source>
        <translation>mittel</translation>
    </message>
    <message>
        <source>slight</source>
        <translation>leicht</translation>
    </message>
    <message>
        <source>Drafts made. %1</source>
        <translation>Entwürfe gemacht. %1</translation>
    </message>
    <message>
        <source>%1. %2, %3. %4</source>
        <translation>%1. %2, %3. %4</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FirstStartDialog</name>
    <message>
        <source>Welcome to Moorfrost</source>
        <translation>Willkommen bei Moorfrost</translation>
    </message>
    <message>
        <source>Two things, and both can be changed later in Settings.</source>
        <translation>Zwei Dinge, und beide lassen sich später in den Einstellungen ändern.</translation>
    </message>
    <message>
        <source>Where is your library to live?</source>
        <translation>Wo soll Ihre Bibliothek liegen?</translation>
    </message>
    <message>
        <source>A folder in which files are put away. It may have music in it already: that is read, and stays where it is.</source>
        <translation>Ein Ordner, in den Dateien eingeordnet werden. Es darf schon Musik darin sein: sie wird gelesen und bleibt, wo sie ist.</translation>
    </message>
    <message>
        <source>Folder of the library</source>
        <translation>Ordner der Bibliothek</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>What does a ready release have?</source>
        <translation>Was hat eine fertige Veröffentlichung?</translation>
    </message>
    <message>
        <source>Standard</source>
        <translation>Standard</translation>
    </message>
    <message>
        <source>Skip</source>
        <translation>Überspringen</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Beginnen</translation>
    </message>
    <message>
        <source>The folder of the library</source>
        <translation>Der Ordner der Bibliothek</translation>
    </message>
    <message>
        <source>This is no folder.</source>
        <translation>Das ist kein Ordner.</translation>
    </message>
    <message>
        <source>Choose a folder.</source>
        <translation>Wählen Sie einen Ordner.</translation>
    </message>
    <message>
        <source>The folder cannot be made: %1</source>
        <translation>Der Ordner kann nicht angelegt werden: %1</translation>
    </message>
    <message>
        <source>Bring one from another machine…</source>
        <translation>Eine von einem anderen Rechner holen…</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityCalendar</name>
    <message>
        <source>Calendar of what was compared</source>
        <translation>Kalender dessen, was verglichen wurde</translation>
    </message>
    <message>
        <source>%1: nothing was compared</source>
        <translation>%1: nichts wurde verglichen</translation>
    </message>
    <message numerus="yes">
        <source>%1: %n file(s), %2</source>
        <translation>
            <numerusform>%1: %n Datei, %2</numerusform>
            <numerusform>%1: %n Dateien, %2</numerusform>
        </translation>
    </message>
    <message>
        <source>%L1 of them for the first time</source>
        <translation>%L1 davon zum ersten Mal</translation>
    </message>
    <message>
        <source>%L1 not as they were kept</source>
        <translation>%L1 nicht, wie sie abgelegt wurden</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityController</name>
    <message>
        <source>Comparing the fixity of files</source>
        <translation>Die Fixity von Dateien wird verglichen</translation>
    </message>
    <message numerus="yes">
        <source>Fixity: %n file(s) compared.</source>
        <translation>
            <numerusform>Fixity: %n Datei verglichen.</numerusform>
            <numerusform>Fixity: %n Dateien verglichen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Fixity: %1 of %n file(s) are not as they were kept.</source>
        <translation>
            <numerusform>Fixity: %1 von %n Datei ist nicht, wie sie abgelegt wurde.</numerusform>
            <numerusform>Fixity: %1 von %n Dateien sind nicht, wie sie abgelegt wurden.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 is not there: nothing of it was compared.</source>
        <translation>%1 ist nicht da: nichts davon wurde verglichen.</translation>
    </message>
    <message>
        <source>Keeping the fixity of files</source>
        <translation>Die Fixity von Dateien wird abgelegt</translation>
    </message>
    <message numerus="yes">
        <source>The fixity of %n file(s) is kept as it is now.</source>
        <translation>
            <numerusform>Die Fixity von %n Datei ist abgelegt, wie sie jetzt ist.</numerusform>
            <numerusform>Die Fixity von %n Dateien ist abgelegt, wie sie jetzt ist.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityDayModel</name>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Found</source>
        <translation>Gefunden</translation>
    </message>
    <message>
        <source>Compared</source>
        <translation>Verglichen</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>as it was kept</source>
        <translation>wie abgelegt</translation>
    </message>
    <message>
        <source>the sound is another one</source>
        <translation>der Klang ist ein anderer</translation>
    </message>
    <message>
        <source>it was not there</source>
        <translation>sie war nicht da</translation>
    </message>
    <message>
        <source>it could not be read</source>
        <translation>sie konnte nicht gelesen werden</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityView</name>
    <message>
        <source>Compare some every night</source>
        <translation>Jede Nacht einige vergleichen</translation>
    </message>
    <message>
        <source>While Moorfrost is open. On the command line "verify --oldest" does the same.</source>
        <translation>Solange Moorfrost offen ist. Auf der Befehlszeile tut „verify --oldest“ dasselbe.</translation>
    </message>
    <message>
        <source> GB a night</source>
        <translation> GB je Nacht</translation>
    </message>
    <message>
        <source>How much a night</source>
        <translation>Wie viel je Nacht</translation>
    </message>
    <message>
        <source>:00</source>
        <translation>:00</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Bis</translation>
    </message>
    <message>
        <source>Files without fixity get one</source>
        <translation>Dateien ohne Fixity bekommen eine</translation>
    </message>
    <message>
        <source>Compare now</source>
        <translation>Jetzt vergleichen</translation>
    </message>
    <message>
        <source>from</source>
        <translation>von</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>Every night</source>
        <translation>Jede Nacht</translation>
    </message>
    <message>
        <source>How it stands</source>
        <translation>Wie es steht</translation>
    </message>
    <message>
        <source>Files that were compared</source>
        <translation>Dateien, die verglichen wurden</translation>
    </message>
    <message>
        <source>Keep as it is now…</source>
        <translation>Ablegen, wie sie jetzt sind…</translation>
    </message>
    <message>
        <source>Where the sound was changed on purpose: from now on this is the one that is compared with.</source>
        <translation>Wo der Klang mit Absicht geändert wurde: von nun an wird mit diesem verglichen.</translation>
    </message>
    <message>
        <source>What was compared when</source>
        <translation>Was wann verglichen wurde</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message numerus="yes">
        <source>%L1 of %n file(s) have a fixity (%2 of %3).</source>
        <translation>
            <numerusform>%L1 von %n Datei hat eine Fixity (%2 von %3).</numerusform>
            <numerusform>%L1 von %n Dateien haben eine Fixity (%2 von %3).</numerusform>
        </translation>
    </message>
    <message>
        <source>Compared longest ago: %1.</source>
        <translation>Am längsten nicht verglichen: %1.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) are not as they were kept: see "Fixity that changed" among the findings.</source>
        <translation>
            <numerusform>%n Datei ist nicht, wie sie abgelegt wurde: siehe „Geänderte Fixity“ unter den Befunden.</numerusform>
            <numerusform>%n Dateien sind nicht, wie sie abgelegt wurden: siehe „Geänderte Fixity“ unter den Befunden.</numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing is compared by itself.</source>
        <translation>Von selbst wird nichts verglichen.</translation>
    </message>
    <message numerus="yes">
        <source>All of it is read once in %n night(s), those first that waited longest.</source>
        <translation>
            <numerusform>Alles wird in %n Nacht einmal gelesen, zuerst, was am längsten gewartet hat.</numerusform>
            <numerusform>Alles wird in %n Nächten einmal gelesen, zuerst, was am längsten gewartet hat.</numerusform>
        </translation>
    </message>
    <message>
        <source>Keep as it is now</source>
        <translation>Ablegen, wie sie jetzt sind</translation>
    </message>
    <message numerus="yes">
        <source>The sound that %n file(s) have now becomes the one that is compared with. What it was before is not known any more then.</source>
        <translation>
            <numerusform>Der Klang, den %n Datei jetzt hat, wird der, mit dem verglichen wird. Was er vorher war, ist dann nicht mehr bekannt.</numerusform>
            <numerusform>Der Klang, den %n Dateien jetzt haben, wird der, mit dem verglichen wird. Was er vorher war, ist dann nicht mehr bekannt.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FolderModel</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 It can be read, but will not be written to.</source>
        <translation>%1 Sie kann gelesen werden, aber es wird nicht in sie geschrieben.</translation>
    </message>
    <message>
        <source>The text seems to be %1 that was read as Latin-1.</source>
        <translation>Der Text scheint %1 zu sein, das als Latin-1 gelesen wurde.</translation>
    </message>
    <message numerus="yes">
        <source>Its tags differ in %n field(s).</source>
        <translation>
            <numerusform>Ihre Tags widersprechen sich in %n Feld.</numerusform>
            <numerusform>Ihre Tags widersprechen sich in %n Feldern.</numerusform>
        </translation>
    </message>
    <message>
        <source>no tags</source>
        <translation>keine Tags</translation>
    </message>
    <message>
        <source>half tagged: no %1</source>
        <translation>halb beschrieben: ohne %1</translation>
    </message>
    <message>
        <source>artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>%1?</source>
        <translation>%1?</translation>
    </message>
    <message>
        <source>goes along</source>
        <translation>geht mit</translation>
    </message>
    <message>
        <source>It is not sound. When the music of its folder is put away, it moves along.</source>
        <translation>Es ist kein Klang. Wird die Musik ihres Ordners eingeordnet, zieht sie mit um.</translation>
    </message>
    <message>
        <source>in the library as %1</source>
        <translation>in der Bibliothek als %1</translation>
    </message>
    <message>
        <source>same sound as %1</source>
        <translation>derselbe Klang wie %1</translation>
    </message>
    <message>
        <source>%1 – %2</source>
        <translation>%1 – %2</translation>
    </message>
    <message>
        <source> %1/%2</source>
        <translation> %1/%2</translation>
    </message>
    <message>
        <source> %1 kbit/s</source>
        <translation> %1 kbit/s</translation>
    </message>
    <message>
        <source>%1
The same sound, byte for byte: %2</source>
        <translation>%1
Derselbe Klang, Byte für Byte: %2</translation>
    </message>
    <message>
        <source>Folder and file</source>
        <translation>Ordner und Datei</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>What was found</source>
        <translation>Was gefunden wurde</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FolderPanel</name>
    <message numerus="yes">
        <source>%1, %n file(s) with drafts</source>
        <translation>
            <numerusform>%1, %n Datei mit Entwürfen</numerusform>
            <numerusform>%1, %n Dateien mit Entwürfen</numerusform>
        </translation>
    </message>
    <message>
        <source>Back to the sleeves; drafts stay</source>
        <translation>Zurück zu den Hüllen; Entwürfe bleiben</translation>
    </message>
    <message>
        <source>Folders with sound</source>
        <translation>Ordner mit Klang</translation>
    </message>
    <message>
        <source>Previous</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>The folder before this one (Shift+F8)</source>
        <translation>Der Ordner vor diesem (Umschalt+F8)</translation>
    </message>
    <message>
        <source>Next (F8)</source>
        <translation>Weiter (F8)</translation>
    </message>
    <message>
        <source>The next folder, with its files (F8)</source>
        <translation>Der nächste Ordner, mit seinen Dateien (F8)</translation>
    </message>
    <message>
        <source>Bring it in</source>
        <translation>Einlesen</translation>
    </message>
    <message>
        <source>The folder in sight goes into the batch, with its drafts</source>
        <translation>Der Ordner, den Sie sehen, kommt in den Stapel, mit seinen Entwürfen</translation>
    </message>
    <message>
        <source>Look through a folder and those in it</source>
        <translation>Einen Ordner und die darin durchsehen</translation>
    </message>
    <message>
        <source>Looking…</source>
        <translation>Wird gesucht…</translation>
    </message>
    <message>
        <source>No folders</source>
        <translation>Keine Ordner</translation>
    </message>
    <message>
        <source>Folder %1 of %2 so far</source>
        <translation>Ordner %1 von bisher %2</translation>
    </message>
    <message>
        <source>Folder %1 of %2</source>
        <translation>Ordner %1 von %2</translation>
    </message>
    <message>
        <source>in %1</source>
        <translation>in %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FolderWalk</name>
    <message>
        <source>Looking for folders in %1</source>
        <translation>Ordner werden in %1 gesucht</translation>
    </message>
    <message>
        <source>There is no sound in %1.</source>
        <translation>In %1 ist kein Klang.</translation>
    </message>
    <message>
        <source>This is the first folder.</source>
        <translation>Das ist der erste Ordner.</translation>
    </message>
    <message>
        <source>The next folder is still being looked for.</source>
        <translation>Der nächste Ordner wird noch gesucht.</translation>
    </message>
    <message>
        <source>This was the last folder.</source>
        <translation>Das war der letzte Ordner.</translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation>%1 wird gelesen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Foot</name>
    <message>
        <source>Review</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>Write…</source>
        <translation>Schreiben…</translation>
    </message>
    <message>
        <source>Close review</source>
        <translation>Durchsicht schließen</translation>
    </message>
    <message>
        <source>%1 in %2</source>
        <translation>%1 in %2</translation>
    </message>
    <message numerus="yes">
        <source>%n draft(s)</source>
        <translation>
            <numerusform>%n Entwurf</numerusform>
            <numerusform>%n Entwürfe</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) to move</source>
        <translation>
            <numerusform>%n Datei zieht um</numerusform>
            <numerusform>%n Dateien ziehen um</numerusform>
        </translation>
    </message>
    <message>
        <source>nothing written yet</source>
        <translation>noch ist nichts geschrieben</translation>
    </message>
    <message>
        <source>No drafts: nothing to write</source>
        <translation>Keine Entwürfe: nichts zu schreiben</translation>
    </message>
    <message numerus="yes">
        <source>%n more in other batches</source>
        <translation>
            <numerusform>%n mehr in anderen Stapeln</numerusform>
            <numerusform>%n mehr in anderen Stapeln</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Write %n change(s)</source>
        <translation>
            <numerusform>%n Änderung schreiben</numerusform>
            <numerusform>%n Änderungen schreiben</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FrozenColumn</name>
    <message>
        <source>File names, kept in sight</source>
        <translation>Dateinamen, immer zu sehen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::GatherDialog</name>
    <message>
        <source>Gather</source>
        <translation>Sammeln</translation>
    </message>
    <message>
        <source>Picks all sound of some formats out of a folder, however deep. The rest is not brought in, and stays where it is.</source>
        <translation>Holt allen Klang mancher Formate aus einem Ordner, wie tief er auch liegt. Der Rest wird nicht eingelesen und bleibt, wo er ist.</translation>
    </message>
    <message>
        <source>No folder chosen yet.</source>
        <translation>Noch kein Ordner gewählt.</translation>
    </message>
    <message>
        <source>Choose a folder…</source>
        <translation>Ordner wählen…</translation>
    </message>
    <message>
        <source>Formats that are there</source>
        <translation>Formate, die da sind</translation>
    </message>
    <message>
        <source>Named like</source>
        <translation>Heißt wie</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Folders</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Bring in</source>
        <translation>Einlesen</translation>
    </message>
    <message>
        <source>Gather from a folder</source>
        <translation>Aus einem Ordner sammeln</translation>
    </message>
    <message>
        <source>Looking through the folder…</source>
        <translation>Der Ordner wird durchgesehen…</translation>
    </message>
    <message>
        <source>Looking through %1</source>
        <translation>%1 wird durchgesehen</translation>
    </message>
    <message>
        <source>Stopped: there may be more.</source>
        <translation>Angehalten: es kann mehr geben.</translation>
    </message>
    <message>
        <source>other endings, but sound inside</source>
        <translation>andere Endungen, aber Klang darin</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>There is no sound in this folder.</source>
        <translation>In diesem Ordner ist kein Klang.</translation>
    </message>
    <message>
        <source>Choose the formats.</source>
        <translation>Wählen Sie die Formate.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Help</name>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>command</source>
        <translation>Befehl</translation>
    </message>
    <message>
        <source>keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>Everywhere</source>
        <translation>Überall</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyController</name>
    <message>
        <source>Looking up %1</source>
        <translation>%1 wird nachgeschlagen</translation>
    </message>
    <message>
        <source>All sleeves have been looked up.</source>
        <translation>Alle Hüllen sind nachgeschlagen.</translation>
    </message>
    <message>
        <source>Looking up the sleeves</source>
        <translation>Die Hüllen werden nachgeschlagen</translation>
    </message>
    <message>
        <source>Fetching %1</source>
        <translation>%1 wird geholt</translation>
    </message>
    <message>
        <source>Take %1</source>
        <translation>%1 übernehmen</translation>
    </message>
    <message numerus="yes">
        <source>Take %n sure release(s)</source>
        <translation>
            <numerusform>%n sichere Veröffentlichung übernehmen</numerusform>
            <numerusform>%n sichere Veröffentlichungen übernehmen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyOverview</name>
    <message numerus="yes">
        <source>the same recordings, %n file(s)</source>
        <translation>
            <numerusform>dieselben Aufnahmen, %n Datei</numerusform>
            <numerusform>dieselben Aufnahmen, %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>this release, edition not told, %n file(s)</source>
        <translation>
            <numerusform>diese Veröffentlichung, Ausgabe nicht gesagt, %n Datei</numerusform>
            <numerusform>diese Veröffentlichung, Ausgabe nicht gesagt, %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>another edition, %n file(s)</source>
        <translation>
            <numerusform>eine andere Ausgabe, %n Datei</numerusform>
            <numerusform>eine andere Ausgabe, %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>another edition (%1), %n file(s)</source>
        <translation>
            <numerusform>eine andere Ausgabe (%1), %n Datei</numerusform>
            <numerusform>eine andere Ausgabe (%1), %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>this edition, %n file(s)</source>
        <translation>
            <numerusform>diese Ausgabe, %n Datei</numerusform>
            <numerusform>diese Ausgabe, %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>, better than these</source>
        <translation>, besser als diese</translation>
    </message>
    <message>
        <source>, worse than these</source>
        <translation>, schlechter als diese</translation>
    </message>
    <message>
        <source>Sleeve</source>
        <translation>Hülle</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>Is probably</source>
        <translation>Ist wohl</translation>
    </message>
    <message>
        <source>Certainty</source>
        <translation>Gewissheit</translation>
    </message>
    <message>
        <source>On your shelves</source>
        <translation>Auf Ihren Regalen</translation>
    </message>
    <message>
        <source>Sleeves by how sure it is what they are</source>
        <translation>Hüllen danach, wie sicher ist, was sie sind</translation>
    </message>
    <message>
        <source>Nothing to identify yet</source>
        <translation>Noch ist nichts zu erkennen</translation>
    </message>
    <message>
        <source>Bring in folders first. Their files are sorted into sleeves, which can be looked up here.</source>
        <translation>Lesen Sie erst Ordner ein. Ihre Dateien werden in Hüllen sortiert, die hier nachgeschlagen werden können.</translation>
    </message>
    <message>
        <source>Go to Bring in</source>
        <translation>Zum Einlesen</translation>
    </message>
    <message>
        <source>Look up all sleeves</source>
        <translation>Alle Hüllen nachschlagen</translation>
    </message>
    <message>
        <source>Look at these</source>
        <translation>Anzusehen</translation>
    </message>
    <message>
        <source>Likely</source>
        <translation>Wahrscheinlich</translation>
    </message>
    <message>
        <source>Sure</source>
        <translation>Sicher</translation>
    </message>
    <message>
        <source>Unknown to the references</source>
        <translation>Den Referenzen unbekannt</translation>
    </message>
    <message>
        <source>Not looked up yet</source>
        <translation>Noch nicht nachgeschlagen</translation>
    </message>
    <message>
        <source>Taken</source>
        <translation>Übernommen</translation>
    </message>
    <message>
        <source>is being looked up …</source>
        <translation>wird nachgeschlagen …</translation>
    </message>
    <message>
        <source>nothing like it was found</source>
        <translation>nichts Ähnliches gefunden</translation>
    </message>
    <message numerus="yes">
        <source>Take the %n sure one(s) as drafts</source>
        <translation>
            <numerusform>Die %n sichere als Entwürfe übernehmen</numerusform>
            <numerusform>Die %n sicheren als Entwürfe übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>All sleeves are identified.</source>
        <translation>Alle Hüllen sind erkannt.</translation>
    </message>
    <message numerus="yes">
        <source>Nothing is taken before you say so. %n sleeve(s) left.</source>
        <translation>
            <numerusform>Nichts wird übernommen, bevor Sie es sagen. Noch %n Hülle.</numerusform>
            <numerusform>Nichts wird übernommen, bevor Sie es sagen. Noch %n Hüllen.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyPage</name>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>Album</source>
        <translation>Album</translation>
    </message>
    <message>
        <source>Titles</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Tracks</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>Lengths</source>
        <translation>Längen</translation>
    </message>
    <message>
        <source>Track numbers</source>
        <translation>Stücknummern</translation>
    </message>
    <message>
        <source>Codes</source>
        <translation>Codes</translation>
    </message>
    <message>
        <source>Year</source>
        <translation>Jahr</translation>
    </message>
    <message>
        <source>Label</source>
        <translation>Label</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>%1 s a track</source>
        <translation>%1 s je Stück</translation>
    </message>
    <message>
        <source>any</source>
        <translation>beliebig</translation>
    </message>
    <message>
        <source>Barcode or catalogue number</source>
        <translation>Strichcode oder Katalognummer</translation>
    </message>
    <message>
        <source>optional</source>
        <translation>nach Belieben</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Finden</translation>
    </message>
    <message>
        <source>By these words</source>
        <translation>Mit diesen Wörtern</translation>
    </message>
    <message>
        <source>Look up</source>
        <translation>Nachschlagen</translation>
    </message>
    <message>
        <source>By all that is known of the sleeve: tags, names, lengths, codes</source>
        <translation>Mit allem, was von der Hülle bekannt ist: Tags, Namen, Längen, Codes</translation>
    </message>
    <message>
        <source>Barcode or cat. no.</source>
        <translation>Strichcode oder Kat.-Nr.</translation>
    </message>
    <message>
        <source>By sound</source>
        <translation>Nach Klang</translation>
    </message>
    <message>
        <source>Listens to the files, whatever they are called</source>
        <translation>Hört die Dateien an, wie immer sie heißen</translation>
    </message>
    <message>
        <source>only what differs</source>
        <translation>nur was verschieden ist</translation>
    </message>
    <message>
        <source>evidence in full</source>
        <translation>Belege in voller Länge</translation>
    </message>
    <message>
        <source>Line-up</source>
        <translation>Zuordnung</translation>
    </message>
    <message>
        <source>Which fields…</source>
        <translation>Welche Felder…</translation>
    </message>
    <message>
        <source>Take as drafts</source>
        <translation>Als Entwürfe übernehmen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>As it will be</source>
        <translation>Wie es wird</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>What taking it changes</source>
        <translation>Was sich durch das Übernehmen ändert</translation>
    </message>
    <message>
        <source>Look it up</source>
        <translation>Nachschlagen</translation>
    </message>
    <message>
        <source>Looking it up …</source>
        <translation>Wird nachgeschlagen …</translation>
    </message>
    <message>
        <source>The references are being asked. Stop it in the line of jobs below.</source>
        <translation>Die Referenzen werden gefragt. Anhalten können Sie es unten in der Zeile der Arbeiten.</translation>
    </message>
    <message>
        <source>What is this sleeve?</source>
        <translation>Was ist diese Hülle?</translation>
    </message>
    <message>
        <source>It is looked up by its tags, names, lengths and codes, and by its sound where these lead nowhere. Nothing is taken before you have seen it.</source>
        <translation>Sie wird nach Tags, Namen, Längen und Codes nachgeschlagen, und nach ihrem Klang, wo diese nicht weiterführen. Nichts wird übernommen, bevor Sie es gesehen haben.</translation>
    </message>
    <message>
        <source>The references could not be asked</source>
        <translation>Die Referenzen konnten nicht gefragt werden</translation>
    </message>
    <message>
        <source>Nothing like it was found</source>
        <translation>Nichts Ähnliches gefunden</translation>
    </message>
    <message>
        <source>Try other words above: the artist alone, another spelling, a catalogue number.</source>
        <translation>Versuchen Sie oben andere Wörter: nur den Interpreten, eine andere Schreibweise, eine Katalognummer.</translation>
    </message>
    <message>
        <source>Pictures (%1)</source>
        <translation>Bilder (%1)</translation>
    </message>
    <message>
        <source>Certainty</source>
        <translation>Gewissheit</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Seated</source>
        <translation>Auf Plätzen</translation>
    </message>
    <message>
        <source>%1 of %2 tracks</source>
        <translation>%1 von %2 Stücken</translation>
    </message>
    <message numerus="yes">
        <source>, %n file(s) over</source>
        <translation>
            <numerusform>, %n Datei übrig</numerusform>
            <numerusform>, %n Dateien übrig</numerusform>
        </translation>
    </message>
    <message>
        <source>Lengths apart</source>
        <translation>Längen auseinander</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Edition</source>
        <translation>Ausgabe</translation>
    </message>
    <message>
        <source>Released</source>
        <translation>Erschienen</translation>
    </message>
    <message>
        <source>Country</source>
        <translation>Land</translation>
    </message>
    <message>
        <source>Catalogue no.</source>
        <translation>Katalognr.</translation>
    </message>
    <message>
        <source>Barcode</source>
        <translation>Strichcode</translation>
    </message>
    <message>
        <source>Genre</source>
        <translation>Genre</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>Reference</source>
        <translation>Referenz</translation>
    </message>
    <message>
        <source>Counts for %1 of %2</source>
        <translation>Zählt %1 von %2</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>sure</source>
        <translation>sicher</translation>
    </message>
    <message>
        <source>likely</source>
        <translation>wahrscheinlich</translation>
    </message>
    <message>
        <source>look at this</source>
        <translation>anzusehen</translation>
    </message>
    <message>
        <source>doubtful</source>
        <translation>zweifelhaft</translation>
    </message>
    <message numerus="yes">
        <source>%n candidate(s) in %1 · %2</source>
        <translation>
            <numerusform>%n Kandidat in %1 · %2</numerusform>
            <numerusform>%n Kandidaten in %1 · %2</numerusform>
        </translation>
    </message>
    <message>
        <source>On your shelves already: %1.</source>
        <translation>Schon auf Ihren Regalen: %1.</translation>
    </message>
    <message>
        <source>%1 of %2 seats have a file</source>
        <translation>%1 von %2 Plätzen haben eine Datei</translation>
    </message>
    <message numerus="yes">
        <source> · %n file(s) without a seat</source>
        <translation>
            <numerusform> · %n Datei ohne Platz</numerusform>
            <numerusform> · %n Dateien ohne Platz</numerusform>
        </translation>
    </message>
    <message>
        <source> · by hand</source>
        <translation> · von Hand</translation>
    </message>
    <message>
        <source>Drag a file to another seat, or move it with Alt+Up and Alt+Down. Delete leaves a seat empty.</source>
        <translation>Ziehen Sie eine Datei auf einen anderen Platz, oder bewegen Sie sie mit Alt+Auf und Alt+Ab. Entf lässt einen Platz leer.</translation>
    </message>
    <message>
        <source>What it changes (%1)</source>
        <translation>Was sich ändert (%1)</translation>
    </message>
    <message>
        <source>All of it is taken</source>
        <translation>Alles davon ist übernommen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::JobShelf</name>
    <message>
        <source>Look</source>
        <translation>Ansehen</translation>
    </message>
    <message>
        <source>Show every file of this write, with the reasons</source>
        <translation>Jede Datei dieses Schreibens zeigen, mit den Gründen</translation>
    </message>
    <message>
        <source>Retry</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>Dismiss</source>
        <translation>Ausblenden</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>waits until what is being written is done</source>
        <translation>wartet, bis fertig ist, was gerade geschrieben wird</translation>
    </message>
    <message>
        <source>%L1 of %L2</source>
        <translation>%L1 von %L2</translation>
    </message>
    <message>
        <source>%L1 a second</source>
        <translation>%L1 je Sekunde</translation>
    </message>
    <message numerus="yes">
        <source>%n second(s) left</source>
        <translation>
            <numerusform>noch %n Sekunde</numerusform>
            <numerusform>noch %n Sekunden</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::JournalPage</name>
    <message>
        <source>taken back</source>
        <translation>zurückgenommen</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) written</source>
        <translation>
            <numerusform>%n Datei geschrieben</numerusform>
            <numerusform>%n Dateien geschrieben</numerusform>
        </translation>
    </message>
    <message>
        <source>in the library only</source>
        <translation>nur in der Bibliothek</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>partly taken back</source>
        <translation>teils zurückgenommen</translation>
    </message>
    <message>
        <source>no longer kept</source>
        <translation>nicht mehr aufgehoben</translation>
    </message>
    <message>
        <source>goes with the next write</source>
        <translation>geht mit dem nächsten Schreiben</translation>
    </message>
    <message numerus="yes">
        <source>%n set aside</source>
        <translation>
            <numerusform>%n unberührt gelassen</numerusform>
            <numerusform>%n unberührt gelassen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation>
            <numerusform>%n ausgelassen</numerusform>
            <numerusform>%n ausgelassen</numerusform>
        </translation>
    </message>
    <message>
        <source>Journal</source>
        <translation>Journal</translation>
    </message>
    <message>
        <source>Take back chosen files</source>
        <translation>Gewählte Dateien zurücknehmen</translation>
    </message>
    <message>
        <source>Take back the whole set</source>
        <translation>Alles zurücknehmen</translation>
    </message>
    <message>
        <source>What was written or changed</source>
        <translation>Was geschrieben oder geändert wurde</translation>
    </message>
    <message>
        <source>File and field</source>
        <translation>Datei und Feld</translation>
    </message>
    <message>
        <source>After</source>
        <translation>Danach</translation>
    </message>
    <message>
        <source>Before</source>
        <translation>Davor</translation>
    </message>
    <message>
        <source>State</source>
        <translation>Stand</translation>
    </message>
    <message>
        <source>Files of the set</source>
        <translation>Dateien des Satzes</translation>
    </message>
    <message>
        <source>Nothing has been written yet</source>
        <translation>Noch wurde nichts geschrieben</translation>
    </message>
    <message>
        <source>Every write and every change of what the library keeps becomes a line here, with what it replaced, and can be taken back from here.</source>
        <translation>Jedes Schreiben und jede Änderung dessen, was die Bibliothek führt, wird hier eine Zeile, mit dem, was sie ersetzt hat, und kann von hier zurückgenommen werden.</translation>
    </message>
    <message numerus="yes">
        <source>%n change(s), newest first</source>
        <translation>
            <numerusform>%n Änderung, die neueste zuerst</numerusform>
            <numerusform>%n Änderungen, die neueste zuerst</numerusform>
        </translation>
    </message>
    <message>
        <source>Take back this change</source>
        <translation>Diese Änderung zurücknehmen</translation>
    </message>
    <message>
        <source>Collections</source>
        <translation>Sammlungen</translation>
    </message>
    <message>
        <source>Without a file</source>
        <translation>Ohne Datei</translation>
    </message>
    <message>
        <source>changed</source>
        <translation>geändert</translation>
    </message>
    <message>
        <source>not begun</source>
        <translation>nicht begonnen</translation>
    </message>
    <message>
        <source>begun</source>
        <translation>begonnen</translation>
    </message>
    <message>
        <source>written</source>
        <translation>geschrieben</translation>
    </message>
    <message>
        <source>left as before</source>
        <translation>geblieben wie zuvor</translation>
    </message>
    <message>
        <source>set aside</source>
        <translation>unberührt gelassen</translation>
    </message>
    <message>
        <source>Made as</source>
        <translation>Gemacht als</translation>
    </message>
    <message>
        <source>Copied to</source>
        <translation>Kopiert nach</translation>
    </message>
    <message>
        <source>Place</source>
        <translation>Ort</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::JudgingBox</name>
    <message>
        <source>Rating</source>
        <translation>Bewertung</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>Playout number</source>
        <translation>Sendenummer</translation>
    </message>
    <message>
        <source>Used in</source>
        <translation>Verwendet in</translation>
    </message>
    <message>
        <source>Bookmarks</source>
        <translation>Marken</translation>
    </message>
    <message>
        <source>Note a use…</source>
        <translation>Verwendung notieren…</translation>
    </message>
    <message>
        <source>Where it was used: a film, a broadcast, a delivery</source>
        <translation>Wo sie verwendet wurde: ein Film, eine Sendung, eine Lieferung</translation>
    </message>
    <message>
        <source>It was not used there</source>
        <translation>Sie wurde dort nicht verwendet</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::KeptChanges</name>
    <message>
        <source>The change was taken back.</source>
        <translation>Die Änderung wurde zurückgenommen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::KeywordsDialog</name>
    <message>
        <source>Keywords of “%1”</source>
        <translation>Schlagwörter von „%1“</translation>
    </message>
    <message>
        <source>Find one, or type a new one and press Return</source>
        <translation>Suchen Sie eins, oder geben Sie ein neues ein und drücken Sie Eingabe</translation>
    </message>
    <message>
        <source>A keyword</source>
        <translation>Ein Schlagwort</translation>
    </message>
    <message>
        <source>Keywords</source>
        <translation>Schlagwörter</translation>
    </message>
    <message>
        <source>Take off the list</source>
        <translation>Von der Liste nehmen</translation>
    </message>
    <message>
        <source>Songs that have it keep it</source>
        <translation>Songs, die es haben, behalten es</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message numerus="yes">
        <source>%1 · %n song(s)</source>
        <translation>
            <numerusform>%1 · %n Song</numerusform>
            <numerusform>%1 · %n Songs</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::KindsDialog</name>
    <message>
        <source>Kinds to confirm</source>
        <translation>Arten zu bestätigen</translation>
    </message>
    <message>
        <source>What these files hold is guessed from their words, lengths and sound. What is not music is not asked for an artist or an album. The files are not changed.</source>
        <translation>Was diese Dateien enthalten, ist aus ihren Wörtern, Längen und ihrem Klang geschlossen. Was keine Musik ist, wird nicht nach Interpret oder Album gefragt. Die Dateien werden nicht geändert.</translation>
    </message>
    <message>
        <source>Files and what they may be</source>
        <translation>Dateien und was sie sein mögen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>What is selected is</source>
        <translation>Was gewählt ist, ist</translation>
    </message>
    <message>
        <source>Confirm all</source>
        <translation>Alle bestätigen</translation>
    </message>
    <message numerus="yes">
        <source>Listen to %n more file(s)</source>
        <translation>
            <numerusform>%n weitere Datei anhören</numerusform>
            <numerusform>%n weitere Dateien anhören</numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing to confirm.</source>
        <translation>Nichts zu bestätigen.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LayoutBar</name>
    <message>
        <source>Layout</source>
        <translation>Layout</translation>
    </message>
    <message>
        <source>Keep layout…</source>
        <translation>Layout behalten…</translation>
    </message>
    <message>
        <source>Layouts…</source>
        <translation>Layouts…</translation>
    </message>
    <message>
        <source>Keep as “%1”</source>
        <translation>Als „%1“ behalten</translation>
    </message>
    <message>
        <source>Keep under another name…</source>
        <translation>Unter anderem Namen behalten…</translation>
    </message>
    <message>
        <source>Back to how it is kept</source>
        <translation>Zurück zum Behaltenen</translation>
    </message>
    <message>
        <source>Hand on as a file…</source>
        <translation>Als Datei weitergeben…</translation>
    </message>
    <message>
        <source>Hand on the layout</source>
        <translation>Layout weitergeben</translation>
    </message>
    <message>
        <source>Layouts (*.json)</source>
        <translation>Layouts (*.json)</translation>
    </message>
    <message>
        <source>Take in from a file…</source>
        <translation>Aus einer Datei übernehmen…</translation>
    </message>
    <message>
        <source>Take in a layout</source>
        <translation>Layout übernehmen</translation>
    </message>
    <message>
        <source>Forget “%1”</source>
        <translation>„%1“ vergessen</translation>
    </message>
    <message>
        <source>Keep layout</source>
        <translation>Layout behalten</translation>
    </message>
    <message>
        <source>Name of the layout:</source>
        <translation>Name des Layouts:</translation>
    </message>
    <message>
        <source>A layout needs a name.</source>
        <translation>Ein Layout braucht einen Namen.</translation>
    </message>
    <message>
        <source>There is a layout “%1” already. Shall this one take its place?</source>
        <translation>Es gibt schon ein Layout „%1“. Soll dieses an seine Stelle treten?</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryCare</name>
    <message>
        <source>Checking the library</source>
        <translation>Die Bibliothek wird geprüft</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryIndex</name>
    <message>
        <source>Indexing the library</source>
        <translation>Die Bibliothek wird erschlossen</translation>
    </message>
    <message>
        <source>Checking what is ready</source>
        <translation>Es wird ermittelt, was fertig ist</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryPage</name>
    <message>
        <source>New list, folder or saved search</source>
        <translation>Neue Liste, neuer Ordner oder gemerkte Suche</translation>
    </message>
    <message>
        <source>Collections</source>
        <translation>Sammlungen</translation>
    </message>
    <message>
        <source>Facets…</source>
        <translation>Facetten…</translation>
    </message>
    <message>
        <source>Choose what to narrow by</source>
        <translation>Wählen, wonach eingeengt wird</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>Only a part of the list is shown. Empty the search first: then its order can be kept.</source>
        <translation>Nur ein Teil der Liste ist zu sehen. Leeren Sie erst die Suche: dann kann ihre Reihenfolge behalten werden.</translation>
    </message>
    <message>
        <source>Search: %1</source>
        <translation>Suche: %1</translation>
    </message>
    <message>
        <source>The list is sorted by a column. Show it as arranged first, then tracks can be moved.</source>
        <translation>Die Liste ist nach einer Spalte sortiert. Zeigen Sie sie erst wie angeordnet, dann können Stücke verschoben werden.</translation>
    </message>
    <message>
        <source>Playlist</source>
        <translation>Wiedergabeliste</translation>
    </message>
    <message>
        <source>Play	Space</source>
        <translation>Abspielen	Leertaste</translation>
    </message>
    <message>
        <source>Send to bench</source>
        <translation>Auf die Werkbank</translation>
    </message>
    <message>
        <source>Check files…</source>
        <translation>Dateien prüfen…</translation>
    </message>
    <message>
        <source>Compare by ear…	Ctrl+Alt+X</source>
        <translation>Nach Gehör vergleichen…	Strg+Alt+X</translation>
    </message>
    <message>
        <source>Remove from this list	Del</source>
        <translation>Aus dieser Liste entfernen	Entf</translation>
    </message>
    <message>
        <source>Export playlist…</source>
        <translation>Wiedergabeliste ausgeben…</translation>
    </message>
    <message>
        <source>One-sheet	Ctrl+Alt+S</source>
        <translation>Infoblatt	Strg+Alt+S</translation>
    </message>
    <message>
        <source>Deliver…	Ctrl+Alt+H</source>
        <translation>Weitergeben…	Strg+Alt+H</translation>
    </message>
    <message>
        <source>Put away again…	Ctrl+Shift+Y</source>
        <translation>Neu einordnen…	Strg+Umschalt+Y</translation>
    </message>
    <message>
        <source>Copy	Ctrl+C</source>
        <translation>Kopieren	Strg+C</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Rate</translation>
    </message>
    <message>
        <source>no rating	Ctrl+Alt+0</source>
        <translation>keine Bewertung	Strg+Alt+0</translation>
    </message>
    <message>
        <source>Note…</source>
        <translation>Notiz…</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message numerus="yes">
        <source>Of %n track(s):</source>
        <translation>
            <numerusform>Von %n Stück:</numerusform>
            <numerusform>Von %n Stücken:</numerusform>
        </translation>
    </message>
    <message>
        <source>Playout number…</source>
        <translation>Sendenummer…</translation>
    </message>
    <message>
        <source>Playout number</source>
        <translation>Sendenummer</translation>
    </message>
    <message>
        <source>Mirror to tags</source>
        <translation>In Tags spiegeln</translation>
    </message>
    <message>
        <source>Note a use…</source>
        <translation>Verwendung notieren…</translation>
    </message>
    <message>
        <source>Versions…</source>
        <translation>Fassungen…</translation>
    </message>
    <message>
        <source>Its work</source>
        <translation>Sein Werk</translation>
    </message>
    <message>
        <source>Their works</source>
        <translation>Ihre Werke</translation>
    </message>
    <message numerus="yes">
        <source>%n new work(s). Ctrl+Z takes them back.</source>
        <translation>
            <numerusform>%n neues Werk. Strg+Z nimmt es zurück.</numerusform>
            <numerusform>%n neue Werke. Strg+Z nimmt sie zurück.</numerusform>
        </translation>
    </message>
    <message>
        <source>Copy fields from the first to the others…</source>
        <translation>Felder vom ersten auf die anderen kopieren…</translation>
    </message>
    <message>
        <source>Copy fields</source>
        <translation>Felder kopieren</translation>
    </message>
    <message>
        <source>copied</source>
        <translation>kopiert</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>Make one recording of these</source>
        <translation>Eine Aufnahme daraus machen</translation>
    </message>
    <message>
        <source>Part from the recording</source>
        <translation>Von der Aufnahme trennen</translation>
    </message>
    <message>
        <source>Choose as the best file</source>
        <translation>Als beste Datei wählen</translation>
    </message>
    <message>
        <source>Find again…</source>
        <translation>Wiederfinden…</translation>
    </message>
    <message>
        <source>Forget absent files…</source>
        <translation>Nicht vorhandene Dateien vergessen…</translation>
    </message>
    <message>
        <source>Forget absent files?</source>
        <translation>Nicht vorhandene Dateien vergessen?</translation>
    </message>
    <message numerus="yes">
        <source>The library will know nothing of %n file(s) any more. The journal can bring them back.</source>
        <translation>
            <numerusform>Die Bibliothek wird von %n Datei nichts mehr wissen. Das Journal kann sie zurückholen.</numerusform>
            <numerusform>Die Bibliothek wird von %n Dateien nichts mehr wissen. Das Journal kann sie zurückholen.</numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing is mirrored yet. Choose in Settings, under Mirroring, what becomes which field.</source>
        <translation>Noch wird nichts gespiegelt. Wählen Sie in den Einstellungen unter Spiegeln, was welches Feld wird.</translation>
    </message>
    <message>
        <source>mirrored</source>
        <translation>gespiegelt</translation>
    </message>
    <message>
        <source>Nothing that is mirrored is kept of these.</source>
        <translation>Nichts, was gespiegelt wird, ist bei diesen geführt.</translation>
    </message>
    <message numerus="yes">
        <source>%n value(s) were proposed: see Review.</source>
        <translation>
            <numerusform>%n Wert wurde vorgeschlagen: siehe Durchsicht.</numerusform>
            <numerusform>%n Werte wurden vorgeschlagen: siehe Durchsicht.</numerusform>
        </translation>
    </message>
    <message>
        <source>In which folder may they be?</source>
        <translation>In welchem Ordner können sie sein?</translation>
    </message>
    <message>
        <source>Save search</source>
        <translation>Suche behalten</translation>
    </message>
    <message>
        <source>Keeps this search in the list on the left, where it stays up to date</source>
        <translation>Behält diese Suche in der Liste links, wo sie auf dem Stand bleibt</translation>
    </message>
    <message>
        <source>Whether the selected files are whole, and still the ones they were</source>
        <translation>Ob die gewählten Dateien heil sind, und noch die, die sie waren</translation>
    </message>
    <message>
        <source>Puts the selected files on the bench, to be described or put away again</source>
        <translation>Legt die gewählten Dateien auf die Werkbank, um sie neu zu beschreiben oder einzuordnen</translation>
    </message>
    <message>
        <source>Tracks</source>
        <translation>Stücke</translation>
    </message>
    <message>
        <source>The library is empty</source>
        <translation>Die Bibliothek ist leer</translation>
    </message>
    <message>
        <source>Files come here when they are put away on a shelf. Start on the bench: bring in a folder.</source>
        <translation>Dateien kommen hierher, wenn sie auf einem Regal eingeordnet werden. Beginnen Sie auf der Werkbank: lesen Sie einen Ordner ein.</translation>
    </message>
    <message>
        <source>Go to the bench</source>
        <translation>Zur Werkbank</translation>
    </message>
    <message>
        <source>Sleeves</source>
        <translation>Hüllen</translation>
    </message>
    <message>
        <source>Same sound</source>
        <translation>Derselbe Klang</translation>
    </message>
    <message>
        <source>Files that are the same recording, whatever they are called</source>
        <translation>Dateien, die dieselbe Aufnahme sind, wie immer sie heißen</translation>
    </message>
    <message>
        <source>Not grouped</source>
        <translation>Nicht gruppiert</translation>
    </message>
    <message>
        <source>By artist</source>
        <translation>Nach Interpret</translation>
    </message>
    <message>
        <source>By label</source>
        <translation>Nach Label</translation>
    </message>
    <message>
        <source>By decade</source>
        <translation>Nach Jahrzehnt</translation>
    </message>
    <message>
        <source>Grouping of the sleeves</source>
        <translation>Gruppierung der Hüllen</translation>
    </message>
    <message>
        <source>Size of the covers</source>
        <translation>Größe der Cover</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Searching</source>
        <translation>Suche läuft</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>%L1 of %L2 tracks · %3</source>
        <translation>%L1 von %L2 Stücken · %3</translation>
    </message>
    <message>
        <source>under 1 ms</source>
        <translation>unter 1 ms</translation>
    </message>
    <message>
        <source>%L1 ms</source>
        <translation>%L1 ms</translation>
    </message>
    <message>
        <source>The choice was given up: in this order it would be in too many pieces.</source>
        <translation>Die Auswahl wurde aufgegeben: in dieser Reihenfolge wäre sie in zu vielen Stücken.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) sent to the bench.</source>
        <translation>
            <numerusform>%n Datei auf die Werkbank geschickt.</numerusform>
            <numerusform>%n Dateien auf die Werkbank geschickt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>the %n selected file(s)</source>
        <translation>
            <numerusform>die %n gewählte Datei</numerusform>
            <numerusform>die %n gewählten Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>the %n file(s) shown</source>
        <translation>
            <numerusform>die %n gezeigte Datei</numerusform>
            <numerusform>die %n gezeigten Dateien</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryPlace</name>
    <message>
        <source>Move the library…</source>
        <translation>Die Bibliothek umziehen…</translation>
    </message>
    <message>
        <source>Bring one from another machine…</source>
        <translation>Eine von einem anderen Rechner holen…</translation>
    </message>
    <message numerus="yes">
        <source>%1, with what is kept beside it: %n file(s), %2.</source>
        <translation>
            <numerusform>%1, mit dem, was daneben aufbewahrt wird: %n Datei, %2.</numerusform>
            <numerusform>%1, mit dem, was daneben aufbewahrt wird: %n Dateien, %2.</numerusform>
        </translation>
    </message>
    <message>
        <source>The folder of the library from the other machine (“%1”)</source>
        <translation>Der Ordner der Bibliothek vom anderen Rechner („%1“)</translation>
    </message>
    <message>
        <source>A library from another machine</source>
        <translation>Eine Bibliothek von einem anderen Rechner</translation>
    </message>
    <message>
        <source>It takes the place of the library that is in use.</source>
        <translation>Sie tritt an die Stelle der Bibliothek, die in Gebrauch ist.</translation>
    </message>
    <message>
        <source>That one stays at %1, and can be brought back in the same way. Moorfrost starts again.</source>
        <translation>Diese bleibt unter %1 und kann auf demselben Weg zurückgeholt werden. Moorfrost startet neu.</translation>
    </message>
    <message>
        <source>Bring and start again</source>
        <translation>Holen und neu starten</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryTroubleBar</name>
    <message>
        <source>Trouble with the library</source>
        <translation>Etwas stimmt mit der Bibliothek nicht</translation>
    </message>
    <message>
        <source>Try again</source>
        <translation>Noch einmal versuchen</translation>
    </message>
    <message numerus="yes">
        <source>%1 %n change(s) wait to be saved. Nothing is lost: they are saved as soon as that is possible, as long as Moorfrost stays open.</source>
        <translation>
            <numerusform>%1 %n Änderung wartet darauf, gespeichert zu werden. Nichts ist verloren: sie wird gespeichert, sobald es möglich ist, solange Moorfrost offen bleibt.</numerusform>
            <numerusform>%1 %n Änderungen warten darauf, gespeichert zu werden. Nichts ist verloren: sie werden gespeichert, sobald es möglich ist, solange Moorfrost offen bleibt.</numerusform>
        </translation>
    </message>
    <message>
        <source>Not everything is saved</source>
        <translation>Nicht alles ist gespeichert</translation>
    </message>
    <message numerus="yes">
        <source>%n change(s) could not be written to the library.</source>
        <translation>
            <numerusform>%n Änderung konnte nicht in die Bibliothek geschrieben werden.</numerusform>
            <numerusform>%n Änderungen konnten nicht in die Bibliothek geschrieben werden.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 If you quit now, they are tried once more; what fails then is lost.</source>
        <translation>%1 Wenn Sie jetzt beenden, werden sie noch einmal versucht; was dann nicht gelingt, ist verloren.</translation>
    </message>
    <message>
        <source>Quit anyway</source>
        <translation>Trotzdem beenden</translation>
    </message>
    <message>
        <source>Stay</source>
        <translation>Bleiben</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LineUpTable</name>
    <message>
        <source>Your files</source>
        <translation>Ihre Dateien</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Passt</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
    <message>
        <source>Track of the reference</source>
        <translation>Stück der Referenz</translation>
    </message>
    <message>
        <source>ISRC</source>
        <translation>ISRC</translation>
    </message>
    <message>
        <source>empty seat</source>
        <translation>leerer Platz</translation>
    </message>
    <message>
        <source>not on this release</source>
        <translation>nicht auf dieser Veröffentlichung</translation>
    </message>
    <message>
        <source>It stands for itself. Drag it to a seat, or press Enter.</source>
        <translation>Es steht für sich. Ziehen Sie es auf einen Platz, oder drücken Sie Eingabe.</translation>
    </message>
    <message>
        <source>a stray</source>
        <translation>eine Einzelne</translation>
    </message>
    <message>
        <source>may be %1</source>
        <translation>könnte %1 sein</translation>
    </message>
    <message>
        <source>no seat</source>
        <translation>kein Platz</translation>
    </message>
    <message>
        <source>no file</source>
        <translation>keine Datei</translation>
    </message>
    <message>
        <source>sounds otherwise</source>
        <translation>klingt anders</translation>
    </message>
    <message>
        <source>sound + name</source>
        <translation>Klang + Name</translation>
    </message>
    <message>
        <source>sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>code + length</source>
        <translation>Code + Länge</translation>
    </message>
    <message>
        <source>code</source>
        <translation>Code</translation>
    </message>
    <message>
        <source>name + length</source>
        <translation>Name + Länge</translation>
    </message>
    <message>
        <source>name, other length</source>
        <translation>Name, andere Länge</translation>
    </message>
    <message>
        <source>name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>length only</source>
        <translation>nur die Länge</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>number only</source>
        <translation>nur die Nummer</translation>
    </message>
    <message>
        <source>by hand</source>
        <translation>von Hand</translation>
    </message>
    <message>
        <source>Sound: %1</source>
        <translation>Klang: %1</translation>
    </message>
    <message>
        <source>The same ISRC</source>
        <translation>Derselbe ISRC</translation>
    </message>
    <message>
        <source>Name: %1</source>
        <translation>Name: %1</translation>
    </message>
    <message>
        <source>Length: %1 s apart</source>
        <translation>Länge: %1 s auseinander</translation>
    </message>
    <message>
        <source>The same track number</source>
        <translation>Dieselbe Stücknummer</translation>
    </message>
    <message>
        <source>Another track number</source>
        <translation>Eine andere Stücknummer</translation>
    </message>
    <message>
        <source>Line-up</source>
        <translation>Zuordnung</translation>
    </message>
    <message>
        <source>Play %1</source>
        <translation>%1 abspielen</translation>
    </message>
    <message>
        <source>Seat it as %1</source>
        <translation>Auf den Platz %1 setzen</translation>
    </message>
    <message>
        <source>Leave this seat empty</source>
        <translation>Diesen Platz leer lassen</translation>
    </message>
    <message>
        <source>Seat here</source>
        <translation>Hierher setzen</translation>
    </message>
    <message>
        <source>Seat all as found</source>
        <translation>Alle setzen wie gefunden</translation>
    </message>
    <message>
        <source>Seat all by sound</source>
        <translation>Alle nach dem Klang setzen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListLine</name>
    <message>
        <source>As arranged</source>
        <translation>Wie angeordnet</translation>
    </message>
    <message>
        <source>Shows the tracks in the order of the list again</source>
        <translation>Zeigt die Stücke wieder in der Reihenfolge der Liste</translation>
    </message>
    <message>
        <source>Keep this order</source>
        <translation>Diese Reihenfolge behalten</translation>
    </message>
    <message>
        <source>The list gets the order that is shown</source>
        <translation>Die Liste bekommt die Reihenfolge, die gezeigt wird</translation>
    </message>
    <message>
        <source>Export playlist…</source>
        <translation>Wiedergabeliste ausgeben…</translation>
    </message>
    <message>
        <source>Leave the list (Esc): show the whole library</source>
        <translation>Liste verlassen (Esc): die ganze Bibliothek zeigen</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n absent</source>
        <translation>
            <numerusform>%n nicht da</numerusform>
            <numerusform>%n nicht da</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n of which no file is known</source>
        <translation>
            <numerusform>von %n ist keine Datei bekannt</numerusform>
            <numerusform>von %n ist keine Datei bekannt</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListsOutController</name>
    <message>
        <source>Writing the list</source>
        <translation>Die Liste wird geschrieben</translation>
    </message>
    <message numerus="yes">
        <source>Saved %n track(s) as %1.</source>
        <translation>
            <numerusform>%n Stück als %1 gespeichert.</numerusform>
            <numerusform>%n Stücke als %1 gespeichert.</numerusform>
        </translation>
    </message>
    <message>
        <source>A cue sheet holds the first %1 of them.</source>
        <translation>Ein Cue-Sheet fasst die ersten %1 davon.</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>The library is still being read.</source>
        <translation>Die Bibliothek wird noch gelesen.</translation>
    </message>
    <message>
        <source>Writing the whole library</source>
        <translation>Die ganze Bibliothek wird geschrieben</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListsView</name>
    <message>
        <source>M3U8, for nearly every player</source>
        <translation>M3U8, für fast jeden Player</translation>
    </message>
    <message>
        <source>XSPF</source>
        <translation>XSPF</translation>
    </message>
    <message>
        <source>Cue sheet</source>
        <translation>Cue-Sheet</translation>
    </message>
    <message>
        <source>Form of the list</source>
        <translation>Form der Liste</translation>
    </message>
    <message>
        <source>from the folder of the list</source>
        <translation>vom Ordner der Liste aus</translation>
    </message>
    <message>
        <source>from the top of this machine</source>
        <translation>von ganz oben auf diesem Rechner</translation>
    </message>
    <message>
        <source>as on another machine</source>
        <translation>wie auf einem anderen Rechner</translation>
    </message>
    <message>
        <source>How places are told</source>
        <translation>Wie Orte angegeben werden</translation>
    </message>
    <message>
        <source>Title of the list</source>
        <translation>Titel der Liste</translation>
    </message>
    <message>
        <source>as the tracks</source>
        <translation>wie die Stücke</translation>
    </message>
    <message>
        <source>Paths here begin with</source>
        <translation>Pfade beginnen hier mit</translation>
    </message>
    <message>
        <source>and there with</source>
        <translation>und dort mit</translation>
    </message>
    <message>
        <source>Paths here</source>
        <translation>Pfade hier</translation>
    </message>
    <message>
        <source>become there</source>
        <translation>werden dort</translation>
    </message>
    <message>
        <source>The whole library as JSON Lines…</source>
        <translation>Die ganze Bibliothek als JSON Lines…</translation>
    </message>
    <message>
        <source>Form</source>
        <translation>Form</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Orte</translation>
    </message>
    <message>
        <source>The list</source>
        <translation>Die Liste</translation>
    </message>
    <message>
        <source>Everything</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>All tracks of the library with all their fields and facts, for other programs.</source>
        <translation>Alle Stücke der Bibliothek mit allen Feldern und Angaben, für andere Programme.</translation>
    </message>
    <message>
        <source>The list as it will be</source>
        <translation>Die Liste, wie sie wird</translation>
    </message>
    <message>
        <source>Save as…</source>
        <translation>Speichern unter…</translation>
    </message>
    <message numerus="yes">
        <source>As it will be · %n track(s)</source>
        <translation>
            <numerusform>Wie sie wird · %n Stück</numerusform>
            <numerusform>Wie sie wird · %n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Add tracks on the left, or send them from the Library with Ctrl+Alt+H.</source>
        <translation>Fügen Sie links Stücke hinzu, oder schicken Sie sie aus der Bibliothek mit Strg+Alt+H.</translation>
    </message>
    <message>
        <source>Save the list</source>
        <translation>Liste speichern</translation>
    </message>
    <message>
        <source>Save the whole library</source>
        <translation>Ganze Bibliothek speichern</translation>
    </message>
    <message>
        <source>JSON Lines (*.jsonl);;All files (*)</source>
        <translation>JSON Lines (*.jsonl);;Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LongWork</name>
    <message>
        <source>It has ended, and something is to be looked at.</source>
        <translation>Es ist zu Ende, und etwas ist anzusehen.</translation>
    </message>
    <message>
        <source>It has ended.</source>
        <translation>Es ist zu Ende.</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>Files are being written</source>
        <translation>Dateien werden geschrieben</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LoudnessLevels</name>
    <message>
        <source>Measuring how loud %1 is</source>
        <translation>Wie laut %1 ist, wird gemessen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LyricsDialog</name>
    <message>
        <source>Lyrics of “%1”</source>
        <translation>Text von „%1“</translation>
    </message>
    <message>
        <source>Lyrics</source>
        <translation>Liedtext</translation>
    </message>
    <message>
        <source>Verses are parted by blank lines. Chords stay as they are typed.</source>
        <translation>Strophen sind durch leere Zeilen getrennt. Akkorde bleiben, wie sie eingegeben werden.</translation>
    </message>
    <message>
        <source>%1 verses, %2 lines, with chords</source>
        <translation>%1 Strophen, %2 Zeilen, mit Akkorden</translation>
    </message>
    <message>
        <source>%1 verses, %2 lines</source>
        <translation>%1 Strophen, %2 Zeilen</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MainWindow</name>
    <message>
        <source>All commands (F10)</source>
        <translation>Alle Befehle (F10)</translation>
    </message>
    <message>
        <source>All commands</source>
        <translation>Alle Befehle</translation>
    </message>
    <message>
        <source>Bench</source>
        <translation>Werkbank</translation>
    </message>
    <message>
        <source>Library</source>
        <translation>Bibliothek</translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Releases</translation>
    </message>
    <message>
        <source>Audit</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>Deliver</source>
        <translation>Weitergeben</translation>
    </message>
    <message>
        <source>Journal</source>
        <translation>Journal</translation>
    </message>
    <message>
        <source>Settings</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>The library is damaged</source>
        <translation>Die Bibliothek ist beschädigt</translation>
    </message>
    <message>
        <source>Your files of sound are not in it and are as they were.</source>
        <translation>Ihre Klangdateien sind nicht darin und sind, wie sie waren.</translation>
    </message>
    <message>
        <source>There is a whole copy of the library from %1. Put back, it takes the place of the damaged one, which is kept beside it; what was done in Moorfrost since then is then not known to the library.</source>
        <translation>Es gibt eine heile Kopie der Bibliothek vom %1. Zurückgelegt, tritt sie an die Stelle der beschädigten, die daneben aufgehoben wird; was seither in Moorfrost getan wurde, ist der Bibliothek dann nicht bekannt.</translation>
    </message>
    <message>
        <source>Put back the copy</source>
        <translation>Kopie zurücklegen</translation>
    </message>
    <message>
        <source>Made anew, the library keeps all that can still be read of it; then the folders of the shelves are read again. The damaged file is kept beside it.</source>
        <translation>Neu gemacht, behält die Bibliothek alles, was sich noch lesen lässt; dann werden die Ordner der Regale wieder gelesen. Die beschädigte Datei wird daneben aufgehoben.</translation>
    </message>
    <message>
        <source>Make the library anew</source>
        <translation>Bibliothek neu machen</translation>
    </message>
    <message>
        <source>Go on as it is</source>
        <translation>So weitermachen</translation>
    </message>
    <message>
        <source>Volume: %1 %</source>
        <translation>Lautstärke: %1 %</translation>
    </message>
    <message>
        <source>Choose two tracks: they are compared by ear, in turn.</source>
        <translation>Wählen Sie zwei Stücke: sie werden nach Gehör verglichen, im Wechsel.</translation>
    </message>
    <message>
        <source>One of them cannot be played.</source>
        <translation>Eins davon kann nicht gespielt werden.</translation>
    </message>
    <message>
        <source>Add folder…</source>
        <translation>Ordner hinzufügen…</translation>
    </message>
    <message>
        <source>Add files…</source>
        <translation>Dateien hinzufügen…</translation>
    </message>
    <message>
        <source>Gather…</source>
        <translation>Sammeln…</translation>
    </message>
    <message>
        <source>Read discs…</source>
        <translation>Discs lesen…</translation>
    </message>
    <message>
        <source>Folder by folder…</source>
        <translation>Ordner für Ordner…</translation>
    </message>
    <message>
        <source>Choose first what is looked through: Folder by folder… (Ctrl+Alt+D).</source>
        <translation>Wählen Sie erst, was durchgesehen wird: Ordner für Ordner… (Strg+Alt+D).</translation>
    </message>
    <message>
        <source>The next folder, with its files</source>
        <translation>Der nächste Ordner, mit seinen Dateien</translation>
    </message>
    <message>
        <source>The folder before</source>
        <translation>Der Ordner davor</translation>
    </message>
    <message>
        <source>Back to the sleeves</source>
        <translation>Zurück zu den Hüllen</translation>
    </message>
    <message>
        <source>Confirm kinds…</source>
        <translation>Arten bestätigen…</translation>
    </message>
    <message>
        <source>Sort into sleeves again</source>
        <translation>Neu in Hüllen sortieren</translation>
    </message>
    <message>
        <source>Put the chosen files into a sleeve…</source>
        <translation>Die gewählten Dateien in eine Hülle legen…</translation>
    </message>
    <message>
        <source>Make strays of the chosen files</source>
        <translation>Die gewählten Dateien zu Einzelnen machen</translation>
    </message>
    <message>
        <source>Let Moorfrost sort the chosen files again</source>
        <translation>Moorfrost die gewählten Dateien neu sortieren lassen</translation>
    </message>
    <message>
        <source>Merge the chosen sleeves</source>
        <translation>Die gewählten Hüllen vereinen</translation>
    </message>
    <message>
        <source>Split the chosen sleeve…</source>
        <translation>Die gewählte Hülle teilen…</translation>
    </message>
    <message>
        <source>Rename the sleeve…</source>
        <translation>Die Hülle umbenennen…</translation>
    </message>
    <message>
        <source>Undo the last change of sleeves</source>
        <translation>Die letzte Änderung an Hüllen rückgängig</translation>
    </message>
    <message>
        <source>New batch…</source>
        <translation>Neuer Stapel…</translation>
    </message>
    <message>
        <source>About this batch…</source>
        <translation>Über diesen Stapel…</translation>
    </message>
    <message>
        <source>Clear this batch off the bench…</source>
        <translation>Stapel von der Werkbank räumen…</translation>
    </message>
    <message>
        <source>Read the shelves again</source>
        <translation>Die Regale noch einmal lesen</translation>
    </message>
    <message>
        <source>Step: Bring in</source>
        <translation>Schritt: Einlesen</translation>
    </message>
    <message>
        <source>Step: Identify</source>
        <translation>Schritt: Erkennen</translation>
    </message>
    <message>
        <source>Step: Describe</source>
        <translation>Schritt: Beschreiben</translation>
    </message>
    <message>
        <source>Step: Put away</source>
        <translation>Schritt: Einordnen</translation>
    </message>
    <message>
        <source>Look up the chosen sleeve</source>
        <translation>Die gewählte Hülle nachschlagen</translation>
    </message>
    <message>
        <source>Look up the chosen sleeve by its sound</source>
        <translation>Die gewählte Hülle nach ihrem Klang nachschlagen</translation>
    </message>
    <message>
        <source>Look up all sleeves</source>
        <translation>Alle Hüllen nachschlagen</translation>
    </message>
    <message>
        <source>Take the chosen candidate as drafts</source>
        <translation>Den gewählten Kandidaten als Entwürfe übernehmen</translation>
    </message>
    <message>
        <source>What is taken from references…</source>
        <translation>Was aus Referenzen übernommen wird…</translation>
    </message>
    <message>
        <source>Drafts</source>
        <translation>Entwürfe</translation>
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
        <source>Copy cells</source>
        <translation>Zellen kopieren</translation>
    </message>
    <message>
        <source>Paste cells</source>
        <translation>Zellen einfügen</translation>
    </message>
    <message>
        <source>Another value, in the field being typed</source>
        <translation>Ein weiterer Wert, in dem Feld, in das gerade geschrieben wird</translation>
    </message>
    <message>
        <source>Fill down</source>
        <translation>Nach unten füllen</translation>
    </message>
    <message>
        <source>Fill a series</source>
        <translation>Reihe füllen</translation>
    </message>
    <message>
        <source>Blank cells</source>
        <translation>Zellen leeren</translation>
    </message>
    <message>
        <source>Drop drafts of cells</source>
        <translation>Entwürfe von Zellen verwerfen</translation>
    </message>
    <message>
        <source>Read from names…</source>
        <translation>Aus Namen lesen…</translation>
    </message>
    <message>
        <source>Find and replace…</source>
        <translation>Suchen und ersetzen…</translation>
    </message>
    <message>
        <source>Change values by steps…</source>
        <translation>Werte in Schritten ändern…</translation>
    </message>
    <message>
        <source>Copy fields to others…</source>
        <translation>Felder auf andere kopieren…</translation>
    </message>
    <message>
        <source>Mend the text…</source>
        <translation>Text berichtigen…</translation>
    </message>
    <message>
        <source>Look up codes that are missing…</source>
        <translation>Fehlende Codes nachschlagen…</translation>
    </message>
    <message>
        <source>Narrow the sheet</source>
        <translation>Tabelle einengen</translation>
    </message>
    <message>
        <source>Use the usual spelling</source>
        <translation>Die übliche Schreibweise nehmen</translation>
    </message>
    <message>
        <source>Columns…</source>
        <translation>Spalten…</translation>
    </message>
    <message>
        <source>Show what is on disk (or hold Alt)</source>
        <translation>Zeigen, was auf der Platte steht (oder Alt halten)</translation>
    </message>
    <message>
        <source>Review</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>Write</source>
        <translation>Schreiben</translation>
    </message>
    <message>
        <source>Search the library</source>
        <translation>Die Bibliothek durchsuchen</translation>
    </message>
    <message>
        <source>Save this search…</source>
        <translation>Diese Suche behalten…</translation>
    </message>
    <message>
        <source>Show tracks</source>
        <translation>Stücke zeigen</translation>
    </message>
    <message>
        <source>Show sleeves</source>
        <translation>Hüllen zeigen</translation>
    </message>
    <message>
        <source>Show what sounds the same</source>
        <translation>Zeigen, was gleich klingt</translation>
    </message>
    <message>
        <source>New list…</source>
        <translation>Neue Liste…</translation>
    </message>
    <message>
        <source>New list of the chosen tracks…</source>
        <translation>Neue Liste der gewählten Stücke…</translation>
    </message>
    <message>
        <source>New folder for lists…</source>
        <translation>Neuer Ordner für Listen…</translation>
    </message>
    <message>
        <source>Import playlist…</source>
        <translation>Wiedergabeliste hereinholen…</translation>
    </message>
    <message>
        <source>Export playlist…</source>
        <translation>Wiedergabeliste ausgeben…</translation>
    </message>
    <message>
        <source>Mirror to tags</source>
        <translation>In Tags spiegeln</translation>
    </message>
    <message>
        <source>Versions of the chosen tracks…</source>
        <translation>Fassungen der gewählten Stücke…</translation>
    </message>
    <message>
        <source>Find versions in the whole library…</source>
        <translation>Fassungen in der ganzen Bibliothek finden…</translation>
    </message>
    <message>
        <source>Versions under their lead (+ and - open and close)</source>
        <translation>Fassungen unter ihrer Leitfassung (+ und - öffnen und schließen)</translation>
    </message>
    <message>
        <source>Versions in lists: ask each time</source>
        <translation>Fassungen in Listen: jedes Mal fragen</translation>
    </message>
    <message>
        <source>Versions in lists: the lead only</source>
        <translation>Fassungen in Listen: nur die Leitfassung</translation>
    </message>
    <message>
        <source>Versions in lists: with versions</source>
        <translation>Fassungen in Listen: mit Fassungen</translation>
    </message>
    <message>
        <source>Versions in lists: with versions and stems</source>
        <translation>Fassungen in Listen: mit Fassungen und Stems</translation>
    </message>
    <message>
        <source>Leave the list</source>
        <translation>Liste verlassen</translation>
    </message>
    <message>
        <source>Choose facets…</source>
        <translation>Facetten wählen…</translation>
    </message>
    <message>
        <source>Send to bench</source>
        <translation>Auf die Werkbank</translation>
    </message>
    <message>
        <source>Put away again…</source>
        <translation>Neu einordnen…</translation>
    </message>
    <message>
        <source>Misplaced files of a shelf…</source>
        <translation>Falsch eingeordnete Dateien eines Regals…</translation>
    </message>
    <message>
        <source>Check files…</source>
        <translation>Dateien prüfen…</translation>
    </message>
    <message>
        <source>New release…</source>
        <translation>Neue Veröffentlichung…</translation>
    </message>
    <message>
        <source>Another edition of this release…</source>
        <translation>Weitere Ausgabe dieser Veröffentlichung…</translation>
    </message>
    <message>
        <source>Fill the release from a source…</source>
        <translation>Die Veröffentlichung aus einer Quelle füllen…</translation>
    </message>
    <message>
        <source>Compare with another edition…</source>
        <translation>Mit einer anderen Ausgabe vergleichen…</translation>
    </message>
    <message>
        <source>New party…</source>
        <translation>Neue Beteiligte…</translation>
    </message>
    <message>
        <source>New work…</source>
        <translation>Neues Werk…</translation>
    </message>
    <message>
        <source>Works of all recordings</source>
        <translation>Werke aller Aufnahmen</translation>
    </message>
    <message>
        <source>Write the release to its files</source>
        <translation>Die Veröffentlichung in ihre Dateien schreiben</translation>
    </message>
    <message>
        <source>Proposals for sets of editions…</source>
        <translation>Vorschläge für Gruppen von Ausgaben…</translation>
    </message>
    <message>
        <source>One-sheet of what is chosen</source>
        <translation>Infoblatt des Gewählten</translation>
    </message>
    <message>
        <source>Deliver what is chosen</source>
        <translation>Gewähltes weitergeben</translation>
    </message>
    <message>
        <source>Deliver all that is shown</source>
        <translation>Alles Gezeigte weitergeben</translation>
    </message>
    <message>
        <source>Share page</source>
        <translation>Hörseite</translation>
    </message>
    <message>
        <source>Sheet out</source>
        <translation>Tabelle hinaus</translation>
    </message>
    <message>
        <source>Sheet in</source>
        <translation>Tabelle herein</translation>
    </message>
    <message>
        <source>List of what goes out</source>
        <translation>Liste dessen, was hinausgeht</translation>
    </message>
    <message>
        <source>Devices</source>
        <translation>Geräte</translation>
    </message>
    <message>
        <source>Package for an archive</source>
        <translation>Paket für ein Archiv</translation>
    </message>
    <message>
        <source>Delivered before</source>
        <translation>Früher weitergegeben</translation>
    </message>
    <message>
        <source>Copy the one-sheet as text</source>
        <translation>Das Infoblatt als Text kopieren</translation>
    </message>
    <message>
        <source>Save the one-sheet as PDF…</source>
        <translation>Das Infoblatt als PDF speichern…</translation>
    </message>
    <message>
        <source>Keep the layout of the one-sheet…</source>
        <translation>Das Layout des Infoblatts behalten…</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Play or pause</source>
        <translation>Abspielen oder Pause</translation>
    </message>
    <message>
        <source>Back 5 seconds</source>
        <translation>5 Sekunden zurück</translation>
    </message>
    <message>
        <source>On 5 seconds</source>
        <translation>5 Sekunden weiter</translation>
    </message>
    <message>
        <source>Next track</source>
        <translation>Nächstes Stück</translation>
    </message>
    <message>
        <source>Previous track</source>
        <translation>Voriges Stück</translation>
    </message>
    <message>
        <source>On 10 seconds</source>
        <translation>10 Sekunden weiter</translation>
    </message>
    <message>
        <source>Back 10 seconds</source>
        <translation>10 Sekunden zurück</translation>
    </message>
    <message>
        <source>To the middle</source>
        <translation>Zur Mitte</translation>
    </message>
    <message>
        <source>To the last 20 seconds</source>
        <translation>Zu den letzten 20 Sekunden</translation>
    </message>
    <message>
        <source>Louder</source>
        <translation>Lauter</translation>
    </message>
    <message>
        <source>Softer</source>
        <translation>Leiser</translation>
    </message>
    <message>
        <source>All tracks equally loud</source>
        <translation>Alle Stücke gleich laut</translation>
    </message>
    <message>
        <source>Show what is heard</source>
        <translation>Zeigen, was zu hören ist</translation>
    </message>
    <message>
        <source>Bookmark the place that is heard…</source>
        <translation>Die Stelle markieren, die zu hören ist…</translation>
    </message>
    <message>
        <source>Compare two tracks by ear…</source>
        <translation>Zwei Stücke nach Gehör vergleichen…</translation>
    </message>
    <message>
        <source>Stop playing</source>
        <translation>Aufhören zu spielen</translation>
    </message>
    <message>
        <source>Go to</source>
        <translation>Gehe zu</translation>
    </message>
    <message>
        <source>Next part of the page</source>
        <translation>Nächster Teil der Seite</translation>
    </message>
    <message>
        <source>Previous part of the page</source>
        <translation>Voriger Teil der Seite</translation>
    </message>
    <message>
        <source>Go to Bench</source>
        <translation>Zur Werkbank</translation>
    </message>
    <message>
        <source>Go to Library</source>
        <translation>Zur Bibliothek</translation>
    </message>
    <message>
        <source>Go to the people</source>
        <translation>Zu den Personen</translation>
    </message>
    <message>
        <source>Go to the works</source>
        <translation>Zu den Werken</translation>
    </message>
    <message>
        <source>Go to the agreements</source>
        <translation>Zu den Vereinbarungen</translation>
    </message>
    <message>
        <source>Go to Audit</source>
        <translation>Zur Prüfung</translation>
    </message>
    <message>
        <source>Codes to fill</source>
        <translation>Fehlende Codes</translation>
    </message>
    <message>
        <source>Fixity, night by night</source>
        <translation>Fixity, Nacht für Nacht</translation>
    </message>
    <message>
        <source>Go to Deliver</source>
        <translation>Zum Weitergeben</translation>
    </message>
    <message>
        <source>Go to Releases</source>
        <translation>Zu den Veröffentlichungen</translation>
    </message>
    <message>
        <source>Go to Journal</source>
        <translation>Zum Journal</translation>
    </message>
    <message>
        <source>Go to Settings</source>
        <translation>Zu den Einstellungen</translation>
    </message>
    <message>
        <source>Help</source>
        <translation>Hilfe</translation>
    </message>
    <message>
        <source>Manual of this screen</source>
        <translation>Handbuch zu diesem Bild</translation>
    </message>
    <message>
        <source>Manual</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>About this trouble…</source>
        <translation>Zu dieser Störung…</translation>
    </message>
    <message>
        <source>Try it with sample files…</source>
        <translation>Mit Beispieldateien ausprobieren…</translation>
    </message>
    <message>
        <source>Find a command…</source>
        <translation>Befehl finden…</translation>
    </message>
    <message>
        <source>Show the menu</source>
        <translation>Menü zeigen</translation>
    </message>
    <message>
        <source>Quit</source>
        <translation>Beenden</translation>
    </message>
    <message>
        <source>Files are being written. Move the library when that has ended.</source>
        <translation>Es werden Dateien geschrieben. Ziehen Sie die Bibliothek um, wenn das zu Ende ist.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ManualWindow</name>
    <message>
        <source>Manual</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <source>Search the manual (Ctrl+F)</source>
        <translation>Handbuch durchsuchen (Strg+F)</translation>
    </message>
    <message>
        <source>Search the manual</source>
        <translation>Handbuch durchsuchen</translation>
    </message>
    <message>
        <source>Pages</source>
        <translation>Seiten</translation>
    </message>
    <message>
        <source>Page of the manual</source>
        <translation>Seite des Handbuchs</translation>
    </message>
    <message>
        <source>The manual has no line with these words.</source>
        <translation>Keine Zeile des Handbuchs enthält diese Wörter.</translation>
    </message>
    <message>
        <source>The manual is not there. Install Moorfrost again.</source>
        <translation>Das Handbuch ist nicht da. Installieren Sie Moorfrost noch einmal.</translation>
    </message>
    <message>
        <source>Manual: %1</source>
        <translation>Handbuch: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MendTextDialog</name>
    <message>
        <source>Mend the text</source>
        <translation>Text berichtigen</translation>
    </message>
    <message>
        <source>Some programs wrote text in the encoding of their country and marked it as Latin-1.</source>
        <translation>Manche Programme schrieben Text in der Kodierung ihres Landes und gaben ihn als Latin-1 aus.</translation>
    </message>
    <message>
        <source>Read the text as</source>
        <translation>Text lesen als</translation>
    </message>
    <message>
        <source>what is likeliest for each file</source>
        <translation>was für jede Datei am wahrscheinlichsten ist</translation>
    </message>
    <message>
        <source>What the text would be</source>
        <translation>Was der Text wäre</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>As it would be</source>
        <translation>Wie er würde</translation>
    </message>
    <message>
        <source>Read as</source>
        <translation>Gelesen als</translation>
    </message>
    <message>
        <source>%1; will not be written to</source>
        <translation>%1; es wird nicht hineingeschrieben</translation>
    </message>
    <message numerus="yes">
        <source>All text of these %n file(s) looks right.</source>
        <translation>
            <numerusform>Aller Text dieser %n Datei sieht richtig aus.</numerusform>
            <numerusform>Aller Text dieser %n Dateien sieht richtig aus.</numerusform>
        </translation>
    </message>
    <message>
        <source>No text of these files can be read in this encoding.</source>
        <translation>Kein Text dieser Dateien lässt sich in dieser Kodierung lesen.</translation>
    </message>
    <message>
        <source>%1 of %2 values will be taken</source>
        <translation>%1 von %2 Werten werden übernommen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Messages</name>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MirrorRules</name>
    <message>
        <source>not in tags</source>
        <translation>nicht in Tags</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MisplacedDialog</name>
    <message>
        <source>Misplaced files</source>
        <translation>Falsch eingeordnete Dateien</translation>
    </message>
    <message>
        <source>Put away again</source>
        <translation>Neu einordnen</translation>
    </message>
    <message>
        <source>Review</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) of the library</source>
        <translation>
            <numerusform>%n Datei der Bibliothek</numerusform>
            <numerusform>%n Dateien der Bibliothek</numerusform>
        </translation>
    </message>
    <message>
        <source>Choose a shelf.</source>
        <translation>Wählen Sie ein Regal.</translation>
    </message>
    <message>
        <source>looking through the shelf …</source>
        <translation>das Regal wird durchgesehen …</translation>
    </message>
    <message>
        <source>Looking for misplaced files</source>
        <translation>Falsch eingeordnete Dateien werden gesucht</translation>
    </message>
    <message numerus="yes">
        <source>All %n file(s) of this shelf are where this plan puts them.</source>
        <translation>
            <numerusform>Alle %n Datei dieses Regals ist, wo dieser Plan sie hinlegt.</numerusform>
            <numerusform>Alle %n Dateien dieses Regals sind, wo dieser Plan sie hinlegt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Not where this plan puts them: %1 of %n file(s).</source>
        <translation>
            <numerusform>Nicht, wo dieser Plan sie hinlegt: %1 von %n Datei.</numerusform>
            <numerusform>Nicht, wo dieser Plan sie hinlegt: %1 von %n Dateien.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MoveLibraryDialog</name>
    <message>
        <source>Move the library</source>
        <translation>Die Bibliothek umziehen</translation>
    </message>
    <message numerus="yes">
        <source>The library and what is kept beside it: %n file(s), %1. The files of your shelves stay where they are.</source>
        <translation>
            <numerusform>Die Bibliothek und was daneben aufbewahrt wird: %n Datei, %1. Die Dateien Ihrer Regale bleiben, wo sie sind.</numerusform>
            <numerusform>Die Bibliothek und was daneben aufbewahrt wird: %n Dateien, %1. Die Dateien Ihrer Regale bleiben, wo sie sind.</numerusform>
        </translation>
    </message>
    <message>
        <source>To another folder or disk of this machine</source>
        <translation>In einen anderen Ordner oder auf eine andere Platte dieses Rechners</translation>
    </message>
    <message>
        <source>Moorfrost starts again and uses it from there. The old one goes to the trash.</source>
        <translation>Moorfrost startet neu und benutzt sie von dort. Die alte kommt in den Papierkorb.</translation>
    </message>
    <message>
        <source>A copy, to be taken to another machine</source>
        <translation>Eine Kopie, für einen anderen Rechner</translation>
    </message>
    <message>
        <source>On a stick or a disk, say. There it is brought in from Settings or at the first start, and you say where the shelves are on that machine. This one stays in use.</source>
        <translation>Auf einem Stick oder einer Platte etwa. Dort wird sie über die Einstellungen oder beim ersten Start geholt, und Sie sagen, wo die Regale auf jenem Rechner sind. Diese bleibt in Gebrauch.</translation>
    </message>
    <message>
        <source>Into this folder</source>
        <translation>In diesen Ordner</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>Move and start again</source>
        <translation>Umziehen und neu starten</translation>
    </message>
    <message>
        <source>Into which folder?</source>
        <translation>In welchen Ordner?</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Choose a folder.</source>
        <translation>Wählen Sie einen Ordner.</translation>
    </message>
    <message>
        <source>This is no folder.</source>
        <translation>Das ist kein Ordner.</translation>
    </message>
    <message>
        <source>There is a “%1” in this folder already.</source>
        <translation>In diesem Ordner gibt es „%1“ schon.</translation>
    </message>
    <message>
        <source>There is not enough room: %1 are needed, %2 are free.</source>
        <translation>Der Platz reicht nicht: %1 werden gebraucht, %2 sind frei.</translation>
    </message>
    <message>
        <source>It becomes %1. Free there: %2.</source>
        <translation>Daraus wird %1. Frei dort: %2.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::NewReleaseDialog</name>
    <message>
        <source>Another edition of “%1”</source>
        <translation>Weitere Ausgabe von „%1“</translation>
    </message>
    <message>
        <source>New release</source>
        <translation>Neue Veröffentlichung</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>Name [ &amp; ] Name: what joins them in brackets</source>
        <translation>Name [ &amp; ] Name: was sie verbindet, in Klammern</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>CD, Vinyl, Cassette, File …</source>
        <translation>CD, Vinyl, Kassette, Datei …</translation>
    </message>
    <message>
        <source>Label</source>
        <translation>Label</translation>
    </message>
    <message>
        <source>Label = number</source>
        <translation>Label = Nummer</translation>
    </message>
    <message>
        <source>Released</source>
        <translation>Erschienen</translation>
    </message>
    <message>
        <source>1998-10-05 GB</source>
        <translation>1998-10-05 GB</translation>
    </message>
    <message>
        <source>Barcode</source>
        <translation>Strichcode</translation>
    </message>
    <message>
        <source>Edition</source>
        <translation>Ausgabe</translation>
    </message>
    <message>
        <source>what tells it from others: 2011 remaster</source>
        <translation>was sie von anderen unterscheidet: Neuauflage 2011</translation>
    </message>
    <message>
        <source>Fill from a source…</source>
        <translation>Aus einer Quelle füllen…</translation>
    </message>
    <message>
        <source>An edition of a reference, a list of tracks that you paste, a sleeve of the bench</source>
        <translation>Eine Ausgabe einer Referenz, eine Liste von Stücken, die Sie einfügen, eine Hülle der Werkbank</translation>
    </message>
    <message>
        <source>Is it already there?</source>
        <translation>Ist sie schon da?</translation>
    </message>
    <message>
        <source>Enter the release</source>
        <translation>Veröffentlichung eingeben</translation>
    </message>
    <message>
        <source>another edition of the library</source>
        <translation>eine andere Ausgabe der Bibliothek</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>A release of its own</source>
        <translation>Eine Veröffentlichung für sich</translation>
    </message>
    <message>
        <source>no edition of anything that is here</source>
        <translation>keine Ausgabe von etwas, das hier ist</translation>
    </message>
    <message>
        <source>Edition of “%1”</source>
        <translation>Ausgabe von „%1“</translation>
    </message>
    <message>
        <source>its tracks were taken</source>
        <translation>ihre Stücke wurden übernommen</translation>
    </message>
    <message>
        <source>“%1” has this barcode: it may be here already.</source>
        <translation>„%1“ hat diesen Strichcode: sie kann schon hier sein.</translation>
    </message>
    <message>
        <source>“%1” has this number: it may be here already.</source>
        <translation>„%1“ hat diese Nummer: sie kann schon hier sein.</translation>
    </message>
    <message>
        <source>No tracks yet: they can be typed later, or taken from a source now.</source>
        <translation>Noch keine Stücke: sie können später eingegeben oder jetzt aus einer Quelle übernommen werden.</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s), with the recordings that are here</source>
        <translation>
            <numerusform>%n Stück, mit den Aufnahmen, die hier sind</numerusform>
            <numerusform>%n Stücke, mit den Aufnahmen, die hier sind</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::OneSheetView</name>
    <message>
        <source>Every song begins a page</source>
        <translation>Jeder Song beginnt eine Seite</translation>
    </message>
    <message>
        <source>Say on the sheet what is to follow</source>
        <translation>Auf dem Blatt sagen, was noch folgt</translation>
    </message>
    <message>
        <source>Sections: drag to put in order</source>
        <translation>Abschnitte: ziehen, um sie zu ordnen</translation>
    </message>
    <message>
        <source>Copy as text</source>
        <translation>Als Text kopieren</translation>
    </message>
    <message>
        <source>Save as…</source>
        <translation>Speichern unter…</translation>
    </message>
    <message>
        <source>A page (HTML)…</source>
        <translation>Eine Seite (HTML)…</translation>
    </message>
    <message>
        <source>Text…</source>
        <translation>Text…</translation>
    </message>
    <message>
        <source>JSON, for other programs…</source>
        <translation>JSON, für andere Programme…</translation>
    </message>
    <message>
        <source>Save as PDF…</source>
        <translation>Als PDF speichern…</translation>
    </message>
    <message>
        <source>Search for a song</source>
        <translation>Nach einem Song suchen</translation>
    </message>
    <message>
        <source>Nothing is to go out yet</source>
        <translation>Noch soll nichts hinausgehen</translation>
    </message>
    <message>
        <source>A one-sheet says on a page what somebody who is to judge or license a song wants to know. Add a song on the left, or choose tracks in the Library, an edition or a work in Releases, and press Ctrl+Alt+S.</source>
        <translation>Ein Infoblatt sagt auf einer Seite, was jemand wissen will, der einen Song beurteilen oder lizenzieren soll. Fügen Sie links einen Song hinzu, oder wählen Sie Stücke in der Bibliothek, eine Ausgabe oder ein Werk unter Veröffentlichungen, und drücken Sie Strg+Alt+S.</translation>
    </message>
    <message>
        <source>Laying out …</source>
        <translation>Wird gesetzt …</translation>
    </message>
    <message>
        <source>As it will be</source>
        <translation>Wie es wird</translation>
    </message>
    <message>
        <source>As it will be · page %1 of %2</source>
        <translation>Wie es wird · Seite %1 von %2</translation>
    </message>
    <message>
        <source>%1 of “%2”: a draft until it is written to the file.</source>
        <translation>%1 von „%2“: ein Entwurf, bis es in die Datei geschrieben ist.</translation>
    </message>
    <message>
        <source>%1: %2. It is proposed as it was typed.</source>
        <translation>%1: %2. Es wird vorgeschlagen, wie es eingegeben wurde.</translation>
    </message>
    <message>
        <source>This file cannot be written to, so it can have no drafts.</source>
        <translation>In diese Datei kann nicht geschrieben werden, also kann sie keine Entwürfe haben.</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>The sheet is copied as text.</source>
        <translation>Das Blatt ist als Text kopiert.</translation>
    </message>
    <message>
        <source>Save the sheet</source>
        <translation>Blatt speichern</translation>
    </message>
    <message>
        <source>%1 (*%2)</source>
        <translation>%1 (*%2)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::OwnCodesDialog</name>
    <message>
        <source>Own codes</source>
        <translation>Eigene Codes</translation>
    </message>
    <message>
        <source>Prefix of country and registrant</source>
        <translation>Präfix aus Land und Erstinhaber</translation>
    </message>
    <message>
        <source>Year in which they are given</source>
        <translation>Jahr, in dem sie vergeben werden</translation>
    </message>
    <message numerus="yes">
        <source>The chosen recording(s): %n</source>
        <translation>
            <numerusform>Die gewählte Aufnahme: %n</numerusform>
            <numerusform>Die gewählten Aufnahmen: %n</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>All that nobody knows a code of: %n</source>
        <translation>
            <numerusform>Alle, von denen niemand einen Code kennt: %n</numerusform>
            <numerusform>Alle, von denen niemand einen Code kennt: %n</numerusform>
        </translation>
    </message>
    <message>
        <source>An ISRC is given once: it stands in the register from now on, and is never given again, whether it is written or not.</source>
        <translation>Ein ISRC wird einmal vergeben: von nun an steht er im Register und wird nie wieder vergeben, ob er geschrieben wird oder nicht.</translation>
    </message>
    <message>
        <source>Save the register as CSV…</source>
        <translation>Register als CSV speichern…</translation>
    </message>
    <message>
        <source>Prefix</source>
        <translation>Präfix</translation>
    </message>
    <message>
        <source>Year</source>
        <translation>Jahr</translation>
    </message>
    <message>
        <source>Give codes</source>
        <translation>Codes vergeben</translation>
    </message>
    <message>
        <source>The prefix that you were given: two letters of the country, three of the registrant.</source>
        <translation>Das Präfix, das Ihnen gegeben wurde: zwei Buchstaben des Landes, drei Zeichen des Erstinhabers.</translation>
    </message>
    <message>
        <source>The next one that is free is %1.</source>
        <translation>Der nächste freie ist %1.</translation>
    </message>
    <message numerus="yes">
        <source>As drafts: %n code(s).</source>
        <translation>
            <numerusform>Als Entwürfe: %n Code.</numerusform>
            <numerusform>Als Entwürfe: %n Codes.</numerusform>
        </translation>
    </message>
    <message>
        <source>Save the register</source>
        <translation>Register speichern</translation>
    </message>
    <message>
        <source>CSV (*.csv);;All files (*)</source>
        <translation>CSV (*.csv);;Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PackageView</name>
    <message>
        <source>Title of the package</source>
        <translation>Titel des Pakets</translation>
    </message>
    <message>
        <source>as the tracks</source>
        <translation>wie die Stücke</translation>
    </message>
    <message>
        <source>For whom the package is</source>
        <translation>Für wen das Paket ist</translation>
    </message>
    <message>
        <source>the archive that gets it</source>
        <translation>das Archiv, das es bekommt</translation>
    </message>
    <message>
        <source>Organisation</source>
        <translation>Organisation</translation>
    </message>
    <message>
        <source>who hands it over</source>
        <translation>wer es übergibt</translation>
    </message>
    <message>
        <source>Contact</source>
        <translation>Kontakt</translation>
    </message>
    <message>
        <source>a name</source>
        <translation>ein Name</translation>
    </message>
    <message>
        <source>Mail of the contact</source>
        <translation>E-Mail des Kontakts</translation>
    </message>
    <message>
        <source>name@example.org</source>
        <translation>name@example.org</translation>
    </message>
    <message>
        <source>Number of the package</source>
        <translation>Nummer des Pakets</translation>
    </message>
    <message>
        <source>of yours, or of theirs</source>
        <translation>Ihre, oder deren</translation>
    </message>
    <message>
        <source>Description of the package</source>
        <translation>Beschreibung des Pakets</translation>
    </message>
    <message>
        <source>What is in it, and why</source>
        <translation>Was darin ist, und warum</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>For</source>
        <translation>Für</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>Mail</source>
        <translation>E-Mail</translation>
    </message>
    <message>
        <source>Number</source>
        <translation>Zahl</translation>
    </message>
    <message>
        <source>The files as they are, with sums of each (SHA-256 and SHA-512), and what the library knows: fields, releases, people and shares, what was written to them, their fixity. As BagIt (RFC 8493) has it.</source>
        <translation>Die Dateien, wie sie sind, mit Prüfsummen jeder einzelnen (SHA-256 und SHA-512), und was die Bibliothek weiß: Felder, Veröffentlichungen, Personen und Anteile, was in sie geschrieben wurde, ihre Fixity. Wie BagIt (RFC 8493) es will.</translation>
    </message>
    <message>
        <source>The package</source>
        <translation>Das Paket</translation>
    </message>
    <message>
        <source>Make the package…</source>
        <translation>Paket machen…</translation>
    </message>
    <message>
        <source>In the package</source>
        <translation>Im Paket</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>What will be in the package</source>
        <translation>Was im Paket sein wird</translation>
    </message>
    <message>
        <source>Verify a package…</source>
        <translation>Paket nachprüfen…</translation>
    </message>
    <message>
        <source>Take it in</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>What is wrong</source>
        <translation>Was nicht stimmt</translation>
    </message>
    <message>
        <source>What stands against the package</source>
        <translation>Was gegen das Paket spricht</translation>
    </message>
    <message>
        <source>Add tracks on the left, or send them from the Library with Ctrl+Alt+H.</source>
        <translation>Fügen Sie links Stücke hinzu, oder schicken Sie sie aus der Bibliothek mit Strg+Alt+H.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>left out, without a file that is there: %n</source>
        <translation>
            <numerusform>ausgelassen, ohne Datei, die da ist: %n</numerusform>
            <numerusform>ausgelassen, ohne Datei, die da ist: %n</numerusform>
        </translation>
    </message>
    <message>
        <source>what the library knows</source>
        <translation>was die Bibliothek weiß</translation>
    </message>
    <message>
        <source>Verifying %1 …</source>
        <translation>%1 wird nachgeprüft …</translation>
    </message>
    <message numerus="yes">
        <source>%1 is whole: %n file(s), %2, every sum is right.</source>
        <translation>
            <numerusform>%1 ist vollständig: %n Datei, %2, jede Prüfsumme stimmt.</numerusform>
            <numerusform>%1 ist vollständig: %n Dateien, %2, jede Prüfsumme stimmt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1 is not whole: %n finding(s).</source>
        <translation>
            <numerusform>%1 ist nicht vollständig: %n Befund.</numerusform>
            <numerusform>%1 ist nicht vollständig: %n Befunde.</numerusform>
        </translation>
    </message>
    <message>
        <source>the package</source>
        <translation>das Paket</translation>
    </message>
    <message>
        <source>A package that came in is verified before it is taken in.</source>
        <translation>Ein Paket, das hereinkam, wird nachgeprüft, bevor es übernommen wird.</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Name of the folder of the package</source>
        <translation>Name des Ordners für das Paket</translation>
    </message>
    <message>
        <source>Verify a package</source>
        <translation>Paket nachprüfen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PackagesController</name>
    <message>
        <source>Looking what the package will have</source>
        <translation>Was das Paket haben wird, wird angesehen</translation>
    </message>
    <message>
        <source>There is no file for the package.</source>
        <translation>Für das Paket gibt es keine Datei.</translation>
    </message>
    <message>
        <source>Making the package</source>
        <translation>Das Paket wird gemacht</translation>
    </message>
    <message numerus="yes">
        <source>The package is made in %1: %n file(s), %2.</source>
        <translation>
            <numerusform>Das Paket liegt in %1: %n Datei, %2.</numerusform>
            <numerusform>Das Paket liegt in %1: %n Dateien, %2.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Verifying the package</source>
        <translation>Das Paket wird nachgeprüft</translation>
    </message>
    <message>
        <source>It was not made here: bring in its folder “data” at the bench.</source>
        <translation>Es wurde nicht hier gemacht: lesen Sie seinen Ordner „data“ auf der Werkbank ein.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PagePreview</name>
    <message numerus="yes">
        <source>and %n more track(s)</source>
        <translation>
            <numerusform>und %n weiteres Stück</numerusform>
            <numerusform>und %n weitere Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>For %1</source>
        <translation>Für %1</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n version(s)</source>
        <translation>
            <numerusform>%n Fassung</numerusform>
            <numerusform>%n Fassungen</numerusform>
        </translation>
    </message>
    <message>
        <source>from %1</source>
        <translation>von %1</translation>
    </message>
    <message>
        <source>The page, about as it will be</source>
        <translation>Die Seite, ungefähr wie sie wird</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PageView</name>
    <message>
        <source>Title of the page</source>
        <translation>Titel der Seite</translation>
    </message>
    <message>
        <source>as the tracks</source>
        <translation>wie die Stücke</translation>
    </message>
    <message>
        <source>For whom the page is</source>
        <translation>Für wen die Seite ist</translation>
    </message>
    <message>
        <source>who will listen</source>
        <translation>wer zuhören wird</translation>
    </message>
    <message>
        <source>From whom the page is</source>
        <translation>Von wem die Seite ist</translation>
    </message>
    <message>
        <source>who sends it</source>
        <translation>wer sie schickt</translation>
    </message>
    <message>
        <source>Words above the tracks</source>
        <translation>Worte über den Stücken</translation>
    </message>
    <message>
        <source>A few words above the tracks</source>
        <translation>Ein paar Worte über den Stücken</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keins</translation>
    </message>
    <message>
        <source>Facts of each track</source>
        <translation>Angaben zu jedem Stück</translation>
    </message>
    <message>
        <source>Artists of tracks</source>
        <translation>Interpreten der Stücke</translation>
    </message>
    <message>
        <source>Versions below their lead</source>
        <translation>Fassungen unter ihrer Leitfassung</translation>
    </message>
    <message>
        <source>Stems, too</source>
        <translation>Auch Stems</translation>
    </message>
    <message>
        <source>Lyrics</source>
        <translation>Liedtext</translation>
    </message>
    <message>
        <source>Places that we marked</source>
        <translation>Stellen, die wir markiert haben</translation>
    </message>
    <message>
        <source>All of it in one file (zip)</source>
        <translation>Alles in einer Datei (Zip)</translation>
    </message>
    <message>
        <source>Who listens can comment and rate</source>
        <translation>Hörer können kommentieren, bewerten</translation>
    </message>
    <message>
        <source>%1, %2 kbit/s</source>
        <translation>%1, %2 kbit/s</translation>
    </message>
    <message>
        <source>What is heard</source>
        <translation>Was zu hören ist</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>what is heard</source>
        <translation>was zu hören ist</translation>
    </message>
    <message>
        <source>originals with all their tags</source>
        <translation>Originale mit allen Tags</translation>
    </message>
    <message>
        <source>What can be downloaded</source>
        <translation>Was heruntergeladen werden kann</translation>
    </message>
    <message>
        <source>One-sheet that goes with it</source>
        <translation>Infoblatt, das mitgeht</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>For</source>
        <translation>Für</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>Heard as</source>
        <translation>Zu hören als</translation>
    </message>
    <message>
        <source>To take</source>
        <translation>Mitzunehmen</translation>
    </message>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>Facts</source>
        <translation>Angaben</translation>
    </message>
    <message>
        <source>The page</source>
        <translation>Die Seite</translation>
    </message>
    <message>
        <source>On it</source>
        <translation>Darauf</translation>
    </message>
    <message>
        <source>To hear and to take</source>
        <translation>Zu hören und mitzunehmen</translation>
    </message>
    <message>
        <source>Take in comments…</source>
        <translation>Kommentare übernehmen…</translation>
    </message>
    <message>
        <source>Open the page</source>
        <translation>Seite öffnen</translation>
    </message>
    <message>
        <source>Make the page…</source>
        <translation>Seite machen…</translation>
    </message>
    <message>
        <source>Nothing is to be heard yet</source>
        <translation>Noch soll nichts zu hören sein</translation>
    </message>
    <message>
        <source>A share page is a folder with one page: tracks with versions and stems, to be heard, commented and taken, in any browser, from a disk or a web server. Add tracks on the left, or choose them in the Library and press Ctrl+Alt+H.</source>
        <translation>Eine Hörseite ist ein Ordner mit einer Seite: Stücke mit Fassungen und Stems, zum Hören, Kommentieren und Mitnehmen, in jedem Browser, von einer Platte oder einem Webserver. Fügen Sie links Stücke hinzu, oder wählen Sie sie in der Bibliothek und drücken Sie Strg+Alt+H.</translation>
    </message>
    <message>
        <source>Search for a track</source>
        <translation>Nach einem Stück suchen</translation>
    </message>
    <message>
        <source>About as it will be</source>
        <translation>Ungefähr wie sie wird</translation>
    </message>
    <message numerus="yes">
        <source>Left out, without a file that is there: %n track(s)</source>
        <translation>
            <numerusform>Ausgelassen, ohne Datei, die da ist: %n Stück</numerusform>
            <numerusform>Ausgelassen, ohne Datei, die da ist: %n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Name of the folder of the page</source>
        <translation>Name des Ordners für die Seite</translation>
    </message>
    <message>
        <source>Take in comments</source>
        <translation>Kommentare übernehmen</translation>
    </message>
    <message>
        <source>Comments (*.json);;All files (*)</source>
        <translation>Kommentare (*.json);;Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PagesController</name>
    <message>
        <source>There is no track for the page.</source>
        <translation>Für die Seite gibt es kein Stück.</translation>
    </message>
    <message>
        <source>Making the share page</source>
        <translation>Die Hörseite wird gemacht</translation>
    </message>
    <message>
        <source>The page is made in %1.</source>
        <translation>Die Seite liegt in %1.</translation>
    </message>
    <message numerus="yes">
        <source>%n thing(s) could not be made: %1</source>
        <translation>
            <numerusform>%n Ding konnte nicht gemacht werden: %1</numerusform>
            <numerusform>%n Dinge konnten nicht gemacht werden: %1</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n sound(s)</source>
        <translation>
            <numerusform>%n Klang</numerusform>
            <numerusform>%n Klänge</numerusform>
        </translation>
    </message>
    <message>
        <source>These comments are of a page that was not made from this library, or is forgotten.</source>
        <translation>Diese Kommentare gehören zu einer Seite, die nicht aus dieser Bibliothek gemacht wurde oder vergessen ist.</translation>
    </message>
    <message>
        <source>These comments are here already.</source>
        <translation>Diese Kommentare sind schon hier.</translation>
    </message>
    <message numerus="yes">
        <source>Took in %n comment(s).</source>
        <translation>
            <numerusform>%n Kommentar übernommen.</numerusform>
            <numerusform>%n Kommentare übernommen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Left out, because they are of no track of the page: %n.</source>
        <translation>
            <numerusform>Ausgelassen, weil sie zu keinem Stück der Seite gehören: %n.</numerusform>
            <numerusform>Ausgelassen, weil sie zu keinem Stück der Seite gehören: %n.</numerusform>
        </translation>
    </message>
    <message>
        <source>Comments as marked places</source>
        <translation>Kommentare als markierte Stellen</translation>
    </message>
    <message>
        <source>The comments are marked in the tracks. Ctrl+Z takes them back.</source>
        <translation>Die Kommentare sind in den Stücken markiert. Strg+Z nimmt sie zurück.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PartButtons</name>
    <message>
        <source>Editions</source>
        <translation>Ausgaben</translation>
    </message>
    <message>
        <source>People</source>
        <translation>Personen</translation>
    </message>
    <message>
        <source>Works</source>
        <translation>Werke</translation>
    </message>
    <message>
        <source>Agreements</source>
        <translation>Vereinbarungen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PartySide</name>
    <message numerus="yes">
        <source>%1, in %n file(s)</source>
        <translation>
            <numerusform>%1, in %n Datei</numerusform>
            <numerusform>%1, in %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>What is missing</source>
        <translation>Was fehlt</translation>
    </message>
    <message>
        <source>No IPI number</source>
        <translation>Keine IPI-Nummer</translation>
    </message>
    <message>
        <source>No society</source>
        <translation>Keine Verwertungsgesellschaft</translation>
    </message>
    <message>
        <source>No way to reach them</source>
        <translation>Kein Weg, sie zu erreichen</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>May be the same</source>
        <translation>Kann dieselbe sein</translation>
    </message>
    <message>
        <source>They are one</source>
        <translation>Es ist dieselbe</translation>
    </message>
    <message>
        <source>All shares are those of this one; it is found by both names. Ctrl+Z takes it back.</source>
        <translation>Alle Anteile gehören jetzt zu dieser; sie wird unter beiden Namen gefunden. Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>Represents</source>
        <translation>Vertritt</translation>
    </message>
    <message>
        <source>In the tags of files</source>
        <translation>In den Tags von Dateien</translation>
    </message>
    <message>
        <source>No file names them.</source>
        <translation>Keine Datei nennt sie.</translation>
    </message>
    <message>
        <source>spelled otherwise: %1</source>
        <translation>anders geschrieben: %1</translation>
    </message>
    <message>
        <source>It is this one</source>
        <translation>Es ist diese</translation>
    </message>
    <message>
        <source>From now on “%1” is one of the spellings</source>
        <translation>Von nun an ist „%1“ eine der Schreibweisen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Peaks</name>
    <message>
        <source>Drawing the sound of %1</source>
        <translation>Der Klang von %1 wird gezeichnet</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PeopleController</name>
    <message>
        <source>Listing people and works</source>
        <translation>Personen und Werke werden aufgelistet</translation>
    </message>
    <message>
        <source>Looking for parties that are one</source>
        <translation>Es wird nach Beteiligten gesucht, die dieselben sind</translation>
    </message>
    <message>
        <source>New party</source>
        <translation>Neue Beteiligte</translation>
    </message>
    <message>
        <source>New work</source>
        <translation>Neues Werk</translation>
    </message>
    <message>
        <source>New agreement</source>
        <translation>Neue Vereinbarung</translation>
    </message>
    <message>
        <source>Other spellings</source>
        <translation>Andere Schreibweisen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>“%1” was removed. Ctrl+Z brings it back.</source>
        <translation>„%1“ wurde entfernt. Strg+Z holt es zurück.</translation>
    </message>
    <message>
        <source>They are one</source>
        <translation>Es ist dieselbe</translation>
    </message>
    <message>
        <source>Works of recordings</source>
        <translation>Werke von Aufnahmen</translation>
    </message>
    <message>
        <source>Shares of another source</source>
        <translation>Anteile einer anderen Quelle</translation>
    </message>
    <message>
        <source>Shares stay</source>
        <translation>Anteile bleiben</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PeoplePage</name>
    <message>
        <source>writer</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>publisher</source>
        <translation>Verlag</translation>
    </message>
    <message>
        <source>owner</source>
        <translation>Inhaber</translation>
    </message>
    <message>
        <source>People</source>
        <translation>Personen</translation>
    </message>
    <message>
        <source>Persons, groups, organisations</source>
        <translation>Personen, Gruppen, Organisationen</translation>
    </message>
    <message>
        <source>Proposals</source>
        <translation>Vorschläge</translation>
    </message>
    <message>
        <source>Two that may be one and the same</source>
        <translation>Zwei, die ein und dieselbe sein können</translation>
    </message>
    <message>
        <source>New party</source>
        <translation>Neue Beteiligte</translation>
    </message>
    <message>
        <source>New party…</source>
        <translation>Neue Beteiligte…</translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Veröffentlichungen</translation>
    </message>
    <message>
        <source>Search: name, spelling, number …</source>
        <translation>Suche: Name, Schreibweise, Nummer …</translation>
    </message>
    <message>
        <source>Search the people</source>
        <translation>Personen durchsuchen</translation>
    </message>
    <message>
        <source>Proposals (%1)</source>
        <translation>Vorschläge (%1)</translation>
    </message>
    <message>
        <source>Song</source>
        <translation>Song</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
    <message>
        <source>Share</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>Songs in which they have a share</source>
        <translation>Songs, an denen sie einen Anteil haben</translation>
    </message>
    <message>
        <source>They have no share in a song yet.</source>
        <translation>Sie haben noch an keinem Song einen Anteil.</translation>
    </message>
    <message>
        <source>Songs</source>
        <translation>Songs</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message numerus="yes">
        <source>%n song(s)</source>
        <translation>
            <numerusform>%n Song</numerusform>
            <numerusform>%n Songs</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 in all</source>
        <translation>%1 insgesamt</translation>
    </message>
    <message>
        <source>Nobody is known yet</source>
        <translation>Noch ist niemand bekannt</translation>
    </message>
    <message>
        <source>Who wrote a song, who publishes it, who owns a recording: entered once, with their numbers, and chosen ever after. Names that are typed into the shares of a work come here by themselves.</source>
        <translation>Wer einen Song geschrieben hat, wer ihn verlegt, wem eine Aufnahme gehört: einmal eingegeben, mit ihren Nummern, und von da an gewählt. Namen, die bei den Anteilen eines Werks eingegeben werden, kommen von selbst hierher.</translation>
    </message>
    <message>
        <source>No notes</source>
        <translation>Keine Notizen</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>Return or a double click shows the song</source>
        <translation>Eingabe oder Doppelklick zeigt den Song</translation>
    </message>
    <message>
        <source>They are one</source>
        <translation>Es ist dieselbe</translation>
    </message>
    <message>
        <source>Remove	Del</source>
        <translation>Entfernen	Entf</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Is</source>
        <translation>Ist</translation>
    </message>
    <message>
        <source>IPI number</source>
        <translation>IPI-Nummer</translation>
    </message>
    <message>
        <source>11 digits, if known</source>
        <translation>11 Ziffern, wenn bekannt</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingeben</translation>
    </message>
    <message>
        <source>There is %1 already.</source>
        <translation>Es gibt schon %1.</translation>
    </message>
    <message>
        <source>No two seem to be one.</source>
        <translation>Keine zwei scheinen dieselben zu sein.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PictureBox</name>
    <message>
        <source>Pictures of the chosen files</source>
        <translation>Bilder der gewählten Dateien</translation>
    </message>
    <message>
        <source>Add picture ▾</source>
        <translation>Bild hinzufügen ▾</translation>
    </message>
    <message>
        <source>or drop or paste one</source>
        <translation>oder eins hierher ziehen oder einfügen</translation>
    </message>
    <message>
        <source>goes with the next write</source>
        <translation>geht mit dem nächsten Schreiben</translation>
    </message>
    <message numerus="yes">
        <source>goes from %n file(s) with the next write</source>
        <translation>
            <numerusform>geht aus %n Datei mit dem nächsten Schreiben</numerusform>
            <numerusform>geht aus %n Dateien mit dem nächsten Schreiben</numerusform>
        </translation>
    </message>
    <message>
        <source>not written yet</source>
        <translation>noch nicht geschrieben</translation>
    </message>
    <message numerus="yes">
        <source>the same in all %n file(s)</source>
        <translation>
            <numerusform>dasselbe in %n Datei</numerusform>
            <numerusform>dasselbe in allen %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>in %1 of %2 files</source>
        <translation>in %1 von %2 Dateien</translation>
    </message>
    <message>
        <source>%1; others differ</source>
        <translation>%1; andere weichen ab</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>und %n weitere</numerusform>
            <numerusform>und %n weitere</numerusform>
        </translation>
    </message>
    <message>
        <source>No picture</source>
        <translation>Kein Bild</translation>
    </message>
    <message numerus="yes">
        <source>No picture in %n file(s)</source>
        <translation>
            <numerusform>Kein Bild in %n Datei</numerusform>
            <numerusform>Kein Bild in %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Enlarged: real detail %1 px</source>
        <translation>Vergrößert: echte Einzelheiten für %1 px</translation>
    </message>
    <message>
        <source>Real detail %1 px</source>
        <translation>Echte Einzelheiten für %1 px</translation>
    </message>
    <message>
        <source>What can be done with this picture</source>
        <translation>Was mit diesem Bild getan werden kann</translation>
    </message>
    <message>
        <source>%1: what can be done</source>
        <translation>%1: was getan werden kann</translation>
    </message>
    <message>
        <source>Show it large, make it fit…</source>
        <translation>Groß zeigen, passend machen…</translation>
    </message>
    <message>
        <source>Replace…</source>
        <translation>Ersetzen…</translation>
    </message>
    <message>
        <source>Save as a file…</source>
        <translation>Als Datei speichern…</translation>
    </message>
    <message numerus="yes">
        <source>The same in all %n file(s)</source>
        <translation>
            <numerusform>Dasselbe in %n Datei</numerusform>
            <numerusform>Dasselbe in allen %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>Change type</source>
        <translation>Art ändern</translation>
    </message>
    <message>
        <source>Description…</source>
        <translation>Beschreibung…</translation>
    </message>
    <message>
        <source>Description of the picture</source>
        <translation>Beschreibung des Bildes</translation>
    </message>
    <message>
        <source>Description:</source>
        <translation>Beschreibung:</translation>
    </message>
    <message>
        <source>Drop the draft</source>
        <translation>Entwurf verwerfen</translation>
    </message>
    <message>
        <source>A file…</source>
        <translation>Eine Datei…</translation>
    </message>
    <message>
        <source>Paste	Ctrl+V</source>
        <translation>Einfügen	Strg+V</translation>
    </message>
    <message>
        <source>From the references…</source>
        <translation>Aus den Referenzen…</translation>
    </message>
    <message>
        <source>looking…</source>
        <translation>wird angesehen…</translation>
    </message>
    <message>
        <source>A folder of pictures to choose from…</source>
        <translation>Ein Ordner mit Bildern zur Auswahl…</translation>
    </message>
    <message>
        <source>A folder of pictures</source>
        <translation>Ein Ordner mit Bildern</translation>
    </message>
    <message>
        <source>no pictures here</source>
        <translation>hier sind keine Bilder</translation>
    </message>
    <message>
        <source>Add pictures</source>
        <translation>Bilder hinzufügen</translation>
    </message>
    <message>
        <source>pasted</source>
        <translation>eingefügt</translation>
    </message>
    <message>
        <source>dropped</source>
        <translation>hierher gezogen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PictureDialog</name>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Previous</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Next</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>As it would be</source>
        <translation>Wie er würde</translation>
    </message>
    <message>
        <source>pixels</source>
        <translation>Pixel</translation>
    </message>
    <message>
        <source>The longer side has at most</source>
        <translation>Die längere Seite hat höchstens</translation>
    </message>
    <message>
        <source>kB</source>
        <translation>kB</translation>
    </message>
    <message>
        <source>It has at most</source>
        <translation>Es hat höchstens</translation>
    </message>
    <message>
        <source>Quality of JPEG</source>
        <translation>Qualität des JPEG</translation>
    </message>
    <message>
        <source>Make it fit</source>
        <translation>Passend machen</translation>
    </message>
    <message>
        <source>At most</source>
        <translation>Höchstens</translation>
    </message>
    <message>
        <source>Quality</source>
        <translation>Qualität</translation>
    </message>
    <message>
        <source>Replace…</source>
        <translation>Ersetzen…</translation>
    </message>
    <message>
        <source>Save as a file…</source>
        <translation>Als Datei speichern…</translation>
    </message>
    <message>
        <source>Use what fits</source>
        <translation>Das Passende nehmen</translation>
    </message>
    <message>
        <source>%1 (%2 of %3)</source>
        <translation>%1 (%2 von %3)</translation>
    </message>
    <message numerus="yes">
        <source>The same in all %n file(s)</source>
        <translation>
            <numerusform>Dasselbe in %n Datei</numerusform>
            <numerusform>Dasselbe in allen %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>looking…</source>
        <translation>wird angesehen…</translation>
    </message>
    <message>
        <source>No colour profile</source>
        <translation>Kein Farbprofil</translation>
    </message>
    <message>
        <source>Colours: %1</source>
        <translation>Farben: %1</translation>
    </message>
    <message numerus="yes">
        <source>Make all %n fit that are too large</source>
        <translation>
            <numerusform>Alle %n passend machen, die zu groß sind</numerusform>
            <numerusform>Alle %n passend machen, die zu groß sind</numerusform>
        </translation>
    </message>
    <message>
        <source>“Make it fit” shows what it would be.</source>
        <translation>„Passend machen“ zeigt, wie es würde.</translation>
    </message>
    <message>
        <source>%1 × %2 JPEG, %3</source>
        <translation>%1 × %2 JPEG, %3</translation>
    </message>
    <message>
        <source>Quality %1</source>
        <translation>Qualität %1</translation>
    </message>
    <message>
        <source>%1 of %2…</source>
        <translation>%1 von %2…</translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s): %1 instead of %2</source>
        <translation>
            <numerusform>%n Bild: %1 statt %2</numerusform>
            <numerusform>%n Bilder: %1 statt %2</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n stay(s) as they are</source>
        <translation>
            <numerusform>%n bleibt, wie es ist</numerusform>
            <numerusform>%n bleiben, wie sie sind</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 % of its bytes</source>
        <translation>%1 % seiner Bytes</translation>
    </message>
    <message>
        <source>It would have more bytes than now.</source>
        <translation>Es hätte mehr Bytes als jetzt.</translation>
    </message>
    <message>
        <source>It is larger than the rule allows.</source>
        <translation>Es ist größer, als die Regel erlaubt.</translation>
    </message>
    <message>
        <source>It fits as it is.</source>
        <translation>Es passt, wie es ist.</translation>
    </message>
    <message>
        <source>working…</source>
        <translation>in Arbeit…</translation>
    </message>
    <message>
        <source>Enlarged: its real detail is about %1 pixels</source>
        <translation>Vergrößert: seine echten Einzelheiten reichen für etwa %1 Pixel</translation>
    </message>
    <message>
        <source>Real detail: about %1 of %2 pixels</source>
        <translation>Echte Einzelheiten: etwa %1 von %2 Pixeln</translation>
    </message>
    <message>
        <source>Pictures (*.jpg *.jpeg *.png *.gif *.bmp *.webp);;All files (*)</source>
        <translation>Bilder (*.jpg *.jpeg *.png *.gif *.bmp *.webp);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Replace the picture</source>
        <translation>Bild ersetzen</translation>
    </message>
    <message>
        <source>Save the picture</source>
        <translation>Bild speichern</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PictureMat</name>
    <message>
        <source>none</source>
        <translation>keins</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PicturesController</name>
    <message>
        <source>Looking for pictures</source>
        <translation>Bilder werden gesucht</translation>
    </message>
    <message>
        <source>Looking at a picture</source>
        <translation>Ein Bild wird angesehen</translation>
    </message>
    <message>
        <source>Making a picture fit</source>
        <translation>Ein Bild wird passend gemacht</translation>
    </message>
    <message>
        <source>Keeping a picture</source>
        <translation>Ein Bild wird aufgehoben</translation>
    </message>
    <message>
        <source>Make %1 fit</source>
        <translation>%1 passend machen</translation>
    </message>
    <message>
        <source>made to fit: %1 × %2, quality %3</source>
        <translation>passend gemacht: %1 × %2, Qualität %3</translation>
    </message>
    <message>
        <source>Reading pictures</source>
        <translation>Bilder werden gelesen</translation>
    </message>
    <message>
        <source>Replace %1</source>
        <translation>%1 ersetzen</translation>
    </message>
    <message>
        <source>picture file %1</source>
        <translation>Bilddatei %1</translation>
    </message>
    <message>
        <source>Saving a picture</source>
        <translation>Ein Bild wird gespeichert</translation>
    </message>
    <message>
        <source>Saved as %1.</source>
        <translation>Als %1 gespeichert.</translation>
    </message>
    <message>
        <source>%1 could not be saved: %2</source>
        <translation>%1 konnte nicht gespeichert werden: %2</translation>
    </message>
    <message>
        <source>This picture cannot be shown, so it is not taken: %1</source>
        <translation>Dieses Bild kann nicht gezeigt werden, also wird es nicht genommen: %1</translation>
    </message>
    <message numerus="yes">
        <source>Add %n picture(s)</source>
        <translation>
            <numerusform>%n Bild hinzufügen</numerusform>
            <numerusform>%n Bilder hinzufügen</numerusform>
        </translation>
    </message>
    <message>
        <source>The picture is animated; most programs show only its beginning.</source>
        <translation>Das Bild ist bewegt; die meisten Programme zeigen nur seinen Anfang.</translation>
    </message>
    <message numerus="yes">
        <source>Not in %n file(s): %1</source>
        <translation>
            <numerusform>Nicht in %n Datei: %1</numerusform>
            <numerusform>Nicht in %n Dateien: %1</numerusform>
        </translation>
    </message>
    <message>
        <source>Remove picture</source>
        <translation>Bild entfernen</translation>
    </message>
    <message>
        <source>removed by hand</source>
        <translation>von Hand entfernt</translation>
    </message>
    <message>
        <source>Change the type of a picture</source>
        <translation>Art eines Bildes ändern</translation>
    </message>
    <message>
        <source>type chosen by hand</source>
        <translation>Art von Hand gewählt</translation>
    </message>
    <message>
        <source>Describe picture</source>
        <translation>Bild beschreiben</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>The same picture in all files</source>
        <translation>Dasselbe Bild in allen Dateien</translation>
    </message>
    <message>
        <source>from another file of these</source>
        <translation>aus einer anderen dieser Dateien</translation>
    </message>
    <message>
        <source>Drop drafts</source>
        <translation>Entwürfe verwerfen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaceTools</name>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Rules…</source>
        <translation>Regeln…</translation>
    </message>
    <message>
        <source>What names on this shelf must suit, what goes along, where replaced files go</source>
        <translation>Wofür Namen auf diesem Regal taugen müssen, was mitgeht, wohin ersetzte Dateien gehen</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Keep plan…</source>
        <translation>Merken…</translation>
    </message>
    <message>
        <source>Move</source>
        <translation>Verschieben</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Rename</source>
        <translation>Umbenennen</translation>
    </message>
    <message>
        <source>Only the names change: each file stays in its folder</source>
        <translation>Nur die Namen ändern sich: jede Datei bleibt in ihrem Ordner</translation>
    </message>
    <message>
        <source>Names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>pictures, notes and logs go along</source>
        <translation>Bilder, Notizen und Protokolle gehen mit</translation>
    </message>
    <message>
        <source>Which…</source>
        <translation>Welche…</translation>
    </message>
    <message>
        <source>remove folders that become empty</source>
        <translation>leer werdende Ordner entfernen</translation>
    </message>
    <message>
        <source>Search these files</source>
        <translation>Diese Dateien durchsuchen</translation>
    </message>
    <message>
        <source>Where they are</source>
        <translation>Wo sie sind</translation>
    </message>
    <message>
        <source>Add a shelf…</source>
        <translation>Regal hinzufügen…</translation>
    </message>
    <message>
        <source>is not there</source>
        <translation>ist nicht da</translation>
    </message>
    <message>
        <source>Looking at the disk of the shelf</source>
        <translation>Die Platte des Regals wird angesehen</translation>
    </message>
    <message>
        <source>%1 free</source>
        <translation>%1 frei</translation>
    </message>
    <message>
        <source>%1: can hold all names</source>
        <translation>%1: fasst alle Namen</translation>
    </message>
    <message>
        <source>%1: holds only portable names</source>
        <translation>%1: fasst nur übertragbare Namen</translation>
    </message>
    <message>
        <source>own plan</source>
        <translation>eigener Plan</translation>
    </message>
    <message>
        <source>Keep this plan</source>
        <translation>Diesen Plan behalten</translation>
    </message>
    <message>
        <source>Name of the plan:</source>
        <translation>Name des Plans:</translation>
    </message>
    <message>
        <source>A folder for the shelf</source>
        <translation>Ein Ordner für das Regal</translation>
    </message>
    <message>
        <source>Add a shelf</source>
        <translation>Regal hinzufügen</translation>
    </message>
    <message>
        <source>Name of the shelf:</source>
        <translation>Name des Regals:</translation>
    </message>
    <message>
        <source>What they are called…</source>
        <translation>Wie sie heißen…</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlacesBox</name>
    <message>
        <source>track %1</source>
        <translation>Stück %1</translation>
    </message>
    <message>
        <source>no file of it</source>
        <translation>keine Datei davon</translation>
    </message>
    <message>
        <source>without a title</source>
        <translation>ohne Titel</translation>
    </message>
    <message>
        <source>Show the release</source>
        <translation>Veröffentlichung zeigen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlacesController</name>
    <message>
        <source>Working out where files will be</source>
        <translation>Es wird ermittelt, wo Dateien sein werden</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlacesModel</name>
    <message>
        <source>Where each file will be</source>
        <translation>Wo jede Datei sein wird</translation>
    </message>
    <message>
        <source>Where it is now</source>
        <translation>Wo sie jetzt ist</translation>
    </message>
    <message>
        <source>No place yet</source>
        <translation>Noch kein Platz</translation>
    </message>
    <message>
        <source>new folder</source>
        <translation>neuer Ordner</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlacesTree</name>
    <message>
        <source>The shelf as it will be</source>
        <translation>Das Regal, wie es wird</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlayQueue</name>
    <message>
        <source>Nothing that can be played.</source>
        <translation>Nichts, was gespielt werden kann.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Player</name>
    <message>
        <source>The sound device is gone. Press play to go on.</source>
        <translation>Das Tongerät ist weg. Drücken Sie Abspielen, um weiterzuhören.</translation>
    </message>
    <message>
        <source>No sound device: nothing can be played</source>
        <translation>Kein Tongerät: nichts kann gespielt werden</translation>
    </message>
    <message>
        <source>The sound device could not be opened.</source>
        <translation>Das Tongerät konnte nicht geöffnet werden.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlayerBar</name>
    <message>
        <source>Show it in the library</source>
        <translation>In der Bibliothek zeigen</translation>
    </message>
    <message>
        <source>Cover of what is heard</source>
        <translation>Cover dessen, was zu hören ist</translation>
    </message>
    <message>
        <source>Previous track (Ctrl+Alt+Up)</source>
        <translation>Voriges Stück (Strg+Alt+Auf)</translation>
    </message>
    <message>
        <source>Play or pause (Space)</source>
        <translation>Abspielen oder Pause (Leertaste)</translation>
    </message>
    <message>
        <source>Next track (Ctrl+Alt+Down)</source>
        <translation>Nächstes Stück (Strg+Alt+Ab)</translation>
    </message>
    <message>
        <source>How loud</source>
        <translation>Wie laut</translation>
    </message>
    <message>
        <source>Volume</source>
        <translation>Lautstärke</translation>
    </message>
    <message>
        <source>All tracks equally loud</source>
        <translation>Alle Stücke gleich laut</translation>
    </message>
    <message>
        <source>Each track is measured once (EBU R 128); nothing is written to files</source>
        <translation>Jedes Stück wird einmal gemessen (EBU R 128); in Dateien wird nichts geschrieben</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>Nothing is playing</source>
        <translation>Nichts wird gespielt</translation>
    </message>
    <message>
        <source>%1 / %2</source>
        <translation>%1 / %2</translation>
    </message>
    <message>
        <source>No shape of the sound: %1</source>
        <translation>Keine Form des Klangs: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaylistExportDialog</name>
    <message>
        <source>Export playlist</source>
        <translation>Wiedergabeliste ausgeben</translation>
    </message>
    <message>
        <source>M3U8: opens in nearly every player</source>
        <translation>M3U8: öffnet sich in fast jedem Player</translation>
    </message>
    <message>
        <source>XSPF: with titles, lengths and the sound of each track</source>
        <translation>XSPF: mit Titeln, Längen und dem Klang jedes Stücks</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>From the folder of the playlist: it can be moved with the music</source>
        <translation>Vom Ordner der Liste aus: sie kann mit der Musik umziehen</translation>
    </message>
    <message>
        <source>From the top of this computer</source>
        <translation>Von ganz oben auf diesem Rechner</translation>
    </message>
    <message>
        <source>As on another computer: a folder by another name</source>
        <translation>Wie auf einem anderen Rechner: ein Ordner unter anderem Namen</translation>
    </message>
    <message>
        <source>/media/music or M:\Music</source>
        <translation>/media/musik oder M:\Musik</translation>
    </message>
    <message>
        <source>The folder here</source>
        <translation>Der Ordner hier</translation>
    </message>
    <message>
        <source>The folder there</source>
        <translation>Der Ordner dort</translation>
    </message>
    <message>
        <source>there is</source>
        <translation>heißt dort</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Orte</translation>
    </message>
    <message>
        <source>The first will be</source>
        <translation>Das erste wird</translation>
    </message>
    <message numerus="yes">
        <source>Export %n track(s)</source>
        <translation>
            <numerusform>%n Stück ausgeben</numerusform>
            <numerusform>%n Stücke ausgeben</numerusform>
        </translation>
    </message>
    <message>
        <source>Say where it is to be, from the top of this computer.</source>
        <translation>Sagen Sie, wo sie hin soll, von ganz oben auf diesem Rechner.</translation>
    </message>
    <message>
        <source>There is no folder %1.</source>
        <translation>Es gibt keinen Ordner %1.</translation>
    </message>
    <message>
        <source>The name of a playlist ends with .m3u8 or .xspf.</source>
        <translation>Der Name einer Wiedergabeliste endet auf .m3u8 oder .xspf.</translation>
    </message>
    <message>
        <source>Say what the folder is called there.</source>
        <translation>Sagen Sie, wie der Ordner dort heißt.</translation>
    </message>
    <message>
        <source>The first track is not in %1.</source>
        <translation>Das erste Stück ist nicht in %1.</translation>
    </message>
    <message>
        <source>There is a file of this name: it will be replaced.</source>
        <translation>Es gibt eine Datei dieses Namens: sie wird ersetzt.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaylistImportDialog</name>
    <message>
        <source>Import playlist</source>
        <translation>Wiedergabeliste hereinholen</translation>
    </message>
    <message>
        <source>Entries of the playlist</source>
        <translation>Einträge der Wiedergabeliste</translation>
    </message>
    <message>
        <source>New list</source>
        <translation>Neue Liste</translation>
    </message>
    <message>
        <source>Choose the file…</source>
        <translation>Datei wählen…</translation>
    </message>
    <message>
        <source>Leave it out</source>
        <translation>Auslassen</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) found</source>
        <translation>
            <numerusform>%n Stück gefunden</numerusform>
            <numerusform>%n Stücke gefunden</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n of them at another place</source>
        <translation>
            <numerusform>%n davon an einem anderen Ort</numerusform>
            <numerusform>%n davon an einem anderen Ort</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation>
            <numerusform>%n ausgelassen</numerusform>
            <numerusform>%n ausgelassen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Make a list of %n track(s)</source>
        <translation>
            <numerusform>Liste aus %n Stück machen</numerusform>
            <numerusform>Liste aus %n Stücken machen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaylistMatchModel</name>
    <message>
        <source>Left out.</source>
        <translation>Ausgelassen.</translation>
    </message>
    <message>
        <source>Chosen by hand.</source>
        <translation>Von Hand gewählt.</translation>
    </message>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
    <message>
        <source>In the playlist</source>
        <translation>In der Wiedergabeliste</translation>
    </message>
    <message>
        <source>In the library</source>
        <translation>In der Bibliothek</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>not found</source>
        <translation>nicht gefunden</translation>
    </message>
    <message>
        <source>to be chosen</source>
        <translation>zu wählen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ProposalModel</name>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>Will be</source>
        <translation>Wird</translation>
    </message>
    <message>
        <source>Is now</source>
        <translation>Ist jetzt</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PutAwayPage</name>
    <message>
        <source>Where should the music be kept?</source>
        <translation>Wo soll die Musik liegen?</translation>
    </message>
    <message>
        <source>A shelf is a folder in which files live under consistent names. Choose one, and you will see where each file would go. Nothing moves before you say Write.</source>
        <translation>Ein Regal ist ein Ordner, in dem Dateien unter einheitlichen Namen liegen. Wählen Sie eins, und Sie sehen, wohin jede Datei käme. Nichts zieht um, bevor Sie Schreiben sagen.</translation>
    </message>
    <message>
        <source>Add a shelf…</source>
        <translation>Regal hinzufügen…</translation>
    </message>
    <message>
        <source>Drop moves</source>
        <translation>Umzüge verwerfen</translation>
    </message>
    <message>
        <source>Draft the moves</source>
        <translation>Umzüge entwerfen</translation>
    </message>
    <message>
        <source>Only these; again: all</source>
        <translation>Nur diese; noch einmal: alle</translation>
    </message>
    <message>
        <source>Change the plan</source>
        <translation>Plan ändern</translation>
    </message>
    <message>
        <source>plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Working out the places</source>
        <translation>Die Plätze werden ermittelt</translation>
    </message>
    <message>
        <source>Working out the places in sight</source>
        <translation>Die sichtbaren Plätze werden ermittelt</translation>
    </message>
    <message>
        <source>All moves are drafted</source>
        <translation>Alle Umzüge sind entworfen</translation>
    </message>
    <message numerus="yes">
        <source>Draft %n copy(ies)</source>
        <translation>
            <numerusform>%n Kopie entwerfen</numerusform>
            <numerusform>%n Kopien entwerfen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Draft %n new name(s)</source>
        <translation>
            <numerusform>%n neuen Namen entwerfen</numerusform>
            <numerusform>%n neue Namen entwerfen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Draft %n move(s)</source>
        <translation>
            <numerusform>%n Umzug entwerfen</numerusform>
            <numerusform>%n Umzüge entwerfen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) will be copied</source>
        <translation>
            <numerusform>%n Datei wird kopiert</numerusform>
            <numerusform>%n Dateien werden kopiert</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) will be renamed</source>
        <translation>
            <numerusform>%n Datei wird umbenannt</numerusform>
            <numerusform>%n Dateien werden umbenannt</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) will move</source>
        <translation>
            <numerusform>%n Datei zieht um</numerusform>
            <numerusform>%n Dateien ziehen um</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n new folder(s)</source>
        <translation>
            <numerusform>%n neuer Ordner</numerusform>
            <numerusform>%n neue Ordner</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n go(es) along</source>
        <translation>
            <numerusform>%n geht mit</numerusform>
            <numerusform>%n gehen mit</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n emptied folder(s) will go</source>
        <translation>
            <numerusform>%n leerer Ordner geht</numerusform>
            <numerusform>%n leere Ordner gehen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation>
            <numerusform>%n ausgelassen</numerusform>
            <numerusform>%n ausgelassen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n name(s) altered</source>
        <translation>
            <numerusform>%n Name verändert</numerusform>
            <numerusform>%n Namen verändert</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n will be replaced</source>
        <translation>
            <numerusform>%n wird ersetzt</numerusform>
            <numerusform>%n werden ersetzt</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n there in another format</source>
        <translation>
            <numerusform>%n in anderem Format da</numerusform>
            <numerusform>%n in anderem Format da</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n album(s) would be split</source>
        <translation>
            <numerusform>%n Album würde zerrissen</numerusform>
            <numerusform>%n Alben würden zerrissen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n with gaps in the name</source>
        <translation>
            <numerusform>%n mit Lücken im Namen</numerusform>
            <numerusform>%n mit Lücken im Namen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cannot be put away</source>
        <translation>
            <numerusform>%n kann nicht eingeordnet werden</numerusform>
            <numerusform>%n können nicht eingeordnet werden</numerusform>
        </translation>
    </message>
    <message>
        <source>Put away</source>
        <translation>Einordnen</translation>
    </message>
    <message>
        <source>plan: %1</source>
        <translation>Plan: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RatingBar</name>
    <message>
        <source>Rating: none</source>
        <translation>Bewertung: keine</translation>
    </message>
    <message>
        <source>Rating: %1 of 5</source>
        <translation>Bewertung: %1 von 5</translation>
    </message>
    <message>
        <source>Click to rate</source>
        <translation>Klicken zum Bewerten</translation>
    </message>
    <message>
        <source>%1 of 5; click it again to take it away</source>
        <translation>%1 von 5; noch ein Klick nimmt sie weg</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReadNamesDialog</name>
    <message>
        <source>Read from names</source>
        <translation>Aus Namen lesen</translation>
    </message>
    <message>
        <source>Ways to read the names</source>
        <translation>Arten, die Namen zu lesen</translation>
    </message>
    <message>
        <source>Ways to read them</source>
        <translation>Arten, sie zu lesen</translation>
    </message>
    <message>
        <source>The names are made like this</source>
        <translation>So sind die Namen gemacht</translation>
    </message>
    <message>
        <source>Each folder has names of its own: they are read by what they have in common, and by who is known. A plan on the left reads all of them alike, and can be changed.</source>
        <translation>Jeder Ordner hat eigene Namen: sie werden nach dem gelesen, was sie gemeinsam haben, und danach, wer bekannt ist. Ein Plan links liest alle gleich und kann geändert werden.</translation>
    </message>
    <message>
        <source>What is read from every name</source>
        <translation>Was aus jedem Namen gelesen wird</translation>
    </message>
    <message>
        <source>Looking for plans</source>
        <translation>Pläne werden gesucht</translation>
    </message>
    <message>
        <source>Each folder by itself</source>
        <translation>Jeder Ordner für sich</translation>
    </message>
    <message>
        <source>as its names are best read</source>
        <translation>wie seine Namen am besten zu lesen sind</translation>
    </message>
    <message>
        <source>fits %1 of %2</source>
        <translation>passt auf %1 von %2</translation>
    </message>
    <message>
        <source>%1 in doubt</source>
        <translation>%1 zweifelhaft</translation>
    </message>
    <message>
        <source>(no plan yet)</source>
        <translation>(noch kein Plan)</translation>
    </message>
    <message>
        <source>your own</source>
        <translation>Ihr eigener</translation>
    </message>
    <message>
        <source>Reading names</source>
        <translation>Namen werden gelesen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Why not, or what is in doubt</source>
        <translation>Warum nicht, oder was zweifelhaft ist</translation>
    </message>
    <message>
        <source>This file is damaged and will not be written to.</source>
        <translation>Diese Datei ist beschädigt, und es wird nicht in sie geschrieben.</translation>
    </message>
    <message>
        <source>%1 % sure. %2</source>
        <translation>Zu %1 % sicher. %2</translation>
    </message>
    <message>
        <source>%1 of %2 files will be taken</source>
        <translation>%1 von %2 Dateien werden übernommen</translation>
    </message>
    <message numerus="yes">
        <source>%n in doubt: 1 takes what is read, 2 the other, 0 neither</source>
        <translation>
            <numerusform>%n zweifelhaft: 1 nimmt das Gelesene, 2 das andere, 0 keins</numerusform>
            <numerusform>%n zweifelhaft: 1 nimmt das Gelesene, 2 das andere, 0 keins</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n do(es) not fit</source>
        <translation>
            <numerusform>%n passt nicht</numerusform>
            <numerusform>%n passen nicht</numerusform>
        </translation>
    </message>
    <message>
        <source>read from the name</source>
        <translation>aus dem Namen gelesen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RecordingBox</name>
    <message>
        <source>%1 bit</source>
        <translation>%1 Bit</translation>
    </message>
    <message>
        <source>%L1 kHz</source>
        <translation>%L1 kHz</translation>
    </message>
    <message>
        <source>%1 kbit/s</source>
        <translation>%1 kbit/s</translation>
    </message>
    <message>
        <source>Part from the others</source>
        <translation>Von den anderen trennen</translation>
    </message>
    <message>
        <source>This file becomes a recording of its own. What is kept of the recording is kept of both.</source>
        <translation>Diese Datei wird eine Aufnahme für sich. Was bei der Aufnahme geführt ist, wird bei beiden geführt.</translation>
    </message>
    <message>
        <source>Forget…</source>
        <translation>Vergessen…</translation>
    </message>
    <message>
        <source>The library knows nothing of this file any more. It can be taken back from the journal.</source>
        <translation>Die Bibliothek weiß nichts mehr von dieser Datei. Im Journal kann es zurückgenommen werden.</translation>
    </message>
    <message>
        <source>Forget this file?</source>
        <translation>Diese Datei vergessen?</translation>
    </message>
    <message>
        <source>The file is not where it was. The library will know nothing of it any more, and of its recording nothing if this is the last of its files. The journal can bring it back.</source>
        <translation>Die Datei ist nicht mehr, wo sie war. Die Bibliothek wird nichts mehr von ihr wissen, und von ihrer Aufnahme nichts, wenn das ihre letzte Datei ist. Das Journal kann sie zurückholen.</translation>
    </message>
    <message>
        <source>best, chosen by hand</source>
        <translation>beste, von Hand gewählt</translation>
    </message>
    <message>
        <source>best</source>
        <translation>beste</translation>
    </message>
    <message>
        <source>this file</source>
        <translation>diese Datei</translation>
    </message>
    <message>
        <source>Absent since %1</source>
        <translation>Nicht da seit %1</translation>
    </message>
    <message>
        <source>Kind: %1</source>
        <translation>Art: %1</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Let the best be found</source>
        <translation>Die beste finden lassen</translation>
    </message>
    <message>
        <source>Choose as the best</source>
        <translation>Als beste wählen</translation>
    </message>
    <message>
        <source>By what the files are: undamaged, lossless, more bits, a higher rate</source>
        <translation>Nach dem, was die Dateien sind: heil, verlustfrei, mehr Bit, höhere Rate</translation>
    </message>
    <message>
        <source>Whatever the others are, this is the one to be used</source>
        <translation>Wie immer die anderen sind, diese soll genommen werden</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RecordingsController</name>
    <message>
        <source>Rate %1</source>
        <translation>%1 bewerten</translation>
    </message>
    <message>
        <source>Take the rating away</source>
        <translation>Bewertung wegnehmen</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>Playout number</source>
        <translation>Sendenummer</translation>
    </message>
    <message>
        <source>Used in %1</source>
        <translation>Verwendet in %1</translation>
    </message>
    <message>
        <source>Not used in %1</source>
        <translation>Nicht verwendet in %1</translation>
    </message>
    <message>
        <source>Bookmark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>Remove a bookmark</source>
        <translation>Marke entfernen</translation>
    </message>
    <message>
        <source>Versions of recordings</source>
        <translation>Fassungen von Aufnahmen</translation>
    </message>
    <message>
        <source>Make one recording</source>
        <translation>Eine Aufnahme daraus machen</translation>
    </message>
    <message>
        <source>Part from the recording</source>
        <translation>Von der Aufnahme trennen</translation>
    </message>
    <message>
        <source>Choose the best file</source>
        <translation>Die beste Datei wählen</translation>
    </message>
    <message>
        <source>Forget absent files</source>
        <translation>Nicht vorhandene Dateien vergessen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RecoveryPage</name>
    <message>
        <source>Look in the journal</source>
        <translation>Im Journal ansehen</translation>
    </message>
    <message>
        <source>Go on</source>
        <translation>Weiter</translation>
    </message>
    <message>
        <source>A write was interrupted</source>
        <translation>Ein Schreiben wurde unterbrochen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Where it is</source>
        <translation>Wo sie ist</translation>
    </message>
    <message>
        <source>Files of the interrupted write</source>
        <translation>Dateien des unterbrochenen Schreibens</translation>
    </message>
    <message>
        <source>“%1”</source>
        <translation>„%1“</translation>
    </message>
    <message>
        <source>Moorfrost was stopped while it was writing.</source>
        <translation>Moorfrost wurde beim Schreiben angehalten.</translation>
    </message>
    <message>
        <source>Moorfrost was stopped while it was writing: %1.</source>
        <translation>Moorfrost wurde beim Schreiben angehalten: %1.</translation>
    </message>
    <message>
        <source>All is put right: every file is whole, and nothing was lost. What was not written is still drafted.</source>
        <translation>Alles ist in Ordnung gebracht: jede Datei ist heil, und nichts ging verloren. Was nicht geschrieben wurde, ist noch entworfen.</translation>
    </message>
    <message numerus="yes">
        <source>Left alone, because to put it right would have meant guessing: %n file(s). All others are whole.</source>
        <translation>
            <numerusform>In Ruhe gelassen, weil das Richten Raten gewesen wäre: %n Datei. Alle anderen sind heil.</numerusform>
            <numerusform>In Ruhe gelassen, weil das Richten Raten gewesen wäre: %n Dateien. Alle anderen sind heil.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Set aside: %n file(s)</source>
        <translation>
            <numerusform>In Ruhe gelassen: %n Datei</numerusform>
            <numerusform>In Ruhe gelassen: %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Look at these yourself. What they held before and what they were to hold stays in the journal.</source>
        <translation>Sehen Sie diese selbst an. Was sie vorher enthielten und was sie enthalten sollten, bleibt im Journal.</translation>
    </message>
    <message numerus="yes">
        <source>As before: %n file(s)</source>
        <translation>
            <numerusform>Wie zuvor: %n Datei</numerusform>
            <numerusform>Wie zuvor: %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Their drafts are still there; write them again when you like.</source>
        <translation>Ihre Entwürfe sind noch da; schreiben Sie sie wieder, wann Sie mögen.</translation>
    </message>
    <message numerus="yes">
        <source>Finished: %n file(s)</source>
        <translation>
            <numerusform>Fertig: %n Datei</numerusform>
            <numerusform>Fertig: %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>There is nothing to do. The journal can take them back.</source>
        <translation>Es ist nichts zu tun. Das Journal kann sie zurücknehmen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReferenceList</name>
    <message>
        <source>Add a reference…</source>
        <translation>Referenz hinzufügen…</translation>
    </message>
    <message>
        <source>Data of the simulated one…</source>
        <translation>Daten der simulierten…</translation>
    </message>
    <message>
        <source>Data of the simulated reference</source>
        <translation>Daten der simulierten Referenz</translation>
    </message>
    <message>
        <source>what stands on your shelves already</source>
        <translation>was schon auf Ihren Regalen steht</translation>
    </message>
    <message>
        <source>simulated, started by Moorfrost on this machine</source>
        <translation>simuliert, von Moorfrost auf diesem Rechner gestartet</translation>
    </message>
    <message>
        <source>Ask %1 earlier</source>
        <translation>%1 früher fragen</translation>
    </message>
    <message>
        <source>Remove %1</source>
        <translation>%1 entfernen</translation>
    </message>
    <message>
        <source>The simulated one reads its releases from %1.</source>
        <translation>Die simulierte liest ihre Veröffentlichungen aus %1.</translation>
    </message>
    <message>
        <source>Give it a name.</source>
        <translation>Geben Sie ihr einen Namen.</translation>
    </message>
    <message>
        <source>Add a reference</source>
        <translation>Referenz hinzufügen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Address</source>
        <translation>Adresse</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzufügen</translation>
    </message>
    <message>
        <source>Only programs on this machine are asked.</source>
        <translation>Nur Programme auf diesem Rechner werden gefragt.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReferencesController</name>
    <message>
        <source>Your library</source>
        <translation>Ihre Bibliothek</translation>
    </message>
    <message>
        <source>No reference is switched on. Choose one in Settings.</source>
        <translation>Keine Referenz ist eingeschaltet. Wählen Sie eine in den Einstellungen.</translation>
    </message>
    <message>
        <source>%1 (simulated)</source>
        <translation>%1 (simuliert)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseLines</name>
    <message>
        <source>an edition of which nothing is known</source>
        <translation>eine Ausgabe, von der nichts bekannt ist</translation>
    </message>
    <message>
        <source>without a title</source>
        <translation>ohne Titel</translation>
    </message>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation>
            <numerusform>%n Ausgabe</numerusform>
            <numerusform>%n Ausgaben</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Veröffentlichungen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseMirrorRules</name>
    <message>
        <source>%1 → %2</source>
        <translation>%1 → %2</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>Title of the track</source>
        <translation>Titel des Stücks</translation>
    </message>
    <message>
        <source>Artist of the track</source>
        <translation>Interpret des Stücks</translation>
    </message>
    <message>
        <source>Place of the track</source>
        <translation>Stelle des Stücks</translation>
    </message>
    <message>
        <source>Code of the recording</source>
        <translation>Code der Aufnahme</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasePictures</name>
    <message>
        <source>This picture cannot be shown: %1</source>
        <translation>Dieses Bild kann nicht gezeigt werden: %1</translation>
    </message>
    <message>
        <source>Fetching pictures</source>
        <translation>Bilder werden geholt</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasePicturesBox</name>
    <message>
        <source>Pictures of the release</source>
        <translation>Bilder der Veröffentlichung</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen…</translation>
    </message>
    <message>
        <source>Add pictures to the release</source>
        <translation>Bilder zur Veröffentlichung hinzufügen</translation>
    </message>
    <message>
        <source>Picture files; they can be dropped here or pasted, too</source>
        <translation>Bilddateien; sie können auch hierher gezogen oder eingefügt werden</translation>
    </message>
    <message>
        <source>Pictures</source>
        <translation>Bilder</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>, added</source>
        <translation>, hinzugefügt</translation>
    </message>
    <message>
        <source>Added to the release by hand</source>
        <translation>Von Hand zur Veröffentlichung hinzugefügt</translation>
    </message>
    <message>
        <source>In its files</source>
        <translation>In ihren Dateien</translation>
    </message>
    <message>
        <source>clipboard</source>
        <translation>Zwischenablage</translation>
    </message>
    <message>
        <source>the release</source>
        <translation>die Veröffentlichung</translation>
    </message>
    <message>
        <source>Picture of “%1”</source>
        <translation>Bild von „%1“</translation>
    </message>
    <message>
        <source>Reading …</source>
        <translation>Wird gelesen …</translation>
    </message>
    <message>
        <source>Look at it	Return</source>
        <translation>Ansehen	Eingabe</translation>
    </message>
    <message>
        <source>Type</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Put added pictures into the files (drafts)</source>
        <translation>Hinzugefügte Bilder in die Dateien (Entwürfe)</translation>
    </message>
    <message>
        <source>Remove	Del</source>
        <translation>Entfernen	Entf</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasePicturesView</name>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>How good it is</source>
        <translation>Wie gut es ist</translation>
    </message>
    <message>
        <source>Pictures of the release</source>
        <translation>Bilder der Veröffentlichung</translation>
    </message>
    <message>
        <source>As it is</source>
        <translation>Wie es ist</translation>
    </message>
    <message>
        <source>Of the release</source>
        <translation>Von der Veröffentlichung</translation>
    </message>
    <message>
        <source>For which files</source>
        <translation>Für welche Dateien</translation>
    </message>
    <message>
        <source>Enter or a double click shows both large, side by side.</source>
        <translation>Eingabe oder Doppelklick zeigt beide groß, nebeneinander.</translation>
    </message>
    <message>
        <source>They are being fetched …</source>
        <translation>Sie werden geholt …</translation>
    </message>
    <message>
        <source>There are none to show.</source>
        <translation>Es gibt keine zu zeigen.</translation>
    </message>
    <message>
        <source>smaller than the standard asks (%1)</source>
        <translation>kleiner, als der Standard verlangt (%1)</translation>
    </message>
    <message>
        <source>enlarged: detail of about %1 pixels</source>
        <translation>vergrößert: Einzelheiten für etwa %1 Pixel</translation>
    </message>
    <message>
        <source>better than what is there</source>
        <translation>besser als das vorhandene</translation>
    </message>
    <message>
        <source>good, and none is there</source>
        <translation>gut, und es ist keins da</translation>
    </message>
    <message>
        <source>good</source>
        <translation>gut</translation>
    </message>
    <message>
        <source>The reference has no pictures of this release.</source>
        <translation>Die Referenz hat keine Bilder dieser Veröffentlichung.</translation>
    </message>
    <message numerus="yes">
        <source>for all %n file(s)</source>
        <translation>
            <numerusform>für %n Datei</numerusform>
            <numerusform>für alle %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>for the %n with a seat</source>
        <translation>
            <numerusform>für die %n mit Platz</numerusform>
            <numerusform>für die %n mit Platz</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>for disc %1 (%n file(s))</source>
        <translation>
            <numerusform>für Disc %1 (%n Datei)</numerusform>
            <numerusform>für Disc %1 (%n Dateien)</numerusform>
        </translation>
    </message>
    <message>
        <source>only for some…</source>
        <translation>nur für einige…</translation>
    </message>
    <message numerus="yes">
        <source>for %n that were chosen…</source>
        <translation>
            <numerusform>für %n gewählte…</numerusform>
            <numerusform>für %n gewählte…</numerusform>
        </translation>
    </message>
    <message>
        <source>Which files get the pictures</source>
        <translation>Welche Dateien die Bilder bekommen</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>These files</source>
        <translation>Diese Dateien</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Take %n picture(s)</source>
        <translation>
            <numerusform>%n Bild übernehmen</numerusform>
            <numerusform>%n Bilder übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>detail of %1 pixels</source>
        <translation>Einzelheiten für %1 Pixel</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Nebeneinander</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseSide</name>
    <message>
        <source>Agreements</source>
        <translation>Vereinbarungen</translation>
    </message>
    <message>
        <source>Change…</source>
        <translation>Ändern…</translation>
    </message>
    <message>
        <source>Change notes and links</source>
        <translation>Notizen und Links ändern</translation>
    </message>
    <message>
        <source>Where it came from</source>
        <translation>Woher es kam</translation>
    </message>
    <message>
        <source>Same set</source>
        <translation>Dieselbe Gruppe</translation>
    </message>
    <message>
        <source>They are editions of one release</source>
        <translation>Es sind Ausgaben einer Veröffentlichung</translation>
    </message>
    <message>
        <source>Not the same</source>
        <translation>Nicht dasselbe</translation>
    </message>
    <message>
        <source>Like this one</source>
        <translation>Ähnlich wie diese</translation>
    </message>
    <message>
        <source>Notes and links</source>
        <translation>Notizen und Links</translation>
    </message>
    <message>
        <source>carrier</source>
        <translation>Tonträger</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>read from the files</source>
        <translation>aus den Dateien gelesen</translation>
    </message>
    <message>
        <source>No notes</source>
        <translation>Keine Notizen</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>Links</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>one a line</source>
        <translation>einer je Zeile</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseSources</name>
    <message>
        <source>Looking up “%1”</source>
        <translation>„%1“ wird nachgeschlagen</translation>
    </message>
    <message>
        <source>Fetching “%1”</source>
        <translation>„%1“ wird geholt</translation>
    </message>
    <message>
        <source>%1, edition %2</source>
        <translation>%1, Ausgabe %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseTrackModel</name>
    <message>
        <source>No.</source>
        <translation>Nr.</translation>
    </message>
    <message>
        <source>Title as printed</source>
        <translation>Titel wie gedruckt</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>Files</source>
        <translation>Dateien</translation>
    </message>
    <message>
        <source>not here</source>
        <translation>nicht hier</translation>
    </message>
    <message>
        <source>without a title</source>
        <translation>ohne Titel</translation>
    </message>
    <message>
        <source>Change a medium</source>
        <translation>Tonträger ändern</translation>
    </message>
    <message>
        <source>Position of a track</source>
        <translation>Stelle eines Stücks</translation>
    </message>
    <message>
        <source>Title of a track</source>
        <translation>Titel eines Stücks</translation>
    </message>
    <message>
        <source>Length of a track</source>
        <translation>Länge eines Stücks</translation>
    </message>
    <message>
        <source>Medium %1</source>
        <translation>Tonträger %1</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation>
            <numerusform>%n Ausgabe</numerusform>
            <numerusform>%n Ausgaben</numerusform>
        </translation>
    </message>
    <message>
        <source>no code</source>
        <translation>kein Code</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keins</translation>
    </message>
    <message>
        <source>Stands on:</source>
        <translation>Steht auf:</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseTracks</name>
    <message>
        <source>Tracks of the release</source>
        <translation>Stücke der Veröffentlichung</translation>
    </message>
    <message>
        <source>Add a track</source>
        <translation>Stück hinzufügen</translation>
    </message>
    <message>
        <source>Add a medium</source>
        <translation>Tonträger hinzufügen</translation>
    </message>
    <message>
        <source>Remove tracks</source>
        <translation>Stücke entfernen</translation>
    </message>
    <message>
        <source>Move tracks</source>
        <translation>Stücke verschieben</translation>
    </message>
    <message>
        <source>Artist as printed</source>
        <translation>Interpret wie gedruckt</translation>
    </message>
    <message>
        <source>Names; what joins them stands in brackets: Kestrel [ &amp; ] Rook</source>
        <translation>Namen; was sie verbindet, steht in Klammern: Kestrel [ &amp; ] Rook</translation>
    </message>
    <message>
        <source>Artist of tracks</source>
        <translation>Interpret von Stücken</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Show in the library</source>
        <translation>In der Bibliothek zeigen</translation>
    </message>
    <message>
        <source>The recording stands on</source>
        <translation>Die Aufnahme steht auf</translation>
    </message>
    <message>
        <source>Artist as printed…</source>
        <translation>Interpret wie gedruckt…</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasesController</name>
    <message>
        <source>Listing the releases</source>
        <translation>Die Veröffentlichungen werden aufgelistet</translation>
    </message>
    <message>
        <source>%1 of a release</source>
        <translation>%1 einer Veröffentlichung</translation>
    </message>
    <message>
        <source>As the files tell it</source>
        <translation>Wie die Dateien es sagen</translation>
    </message>
    <message>
        <source>Picture of a release</source>
        <translation>Bild einer Veröffentlichung</translation>
    </message>
    <message>
        <source>Remove a picture of a release</source>
        <translation>Bild einer Veröffentlichung entfernen</translation>
    </message>
    <message>
        <source>Type of a picture of a release</source>
        <translation>Art eines Bildes einer Veröffentlichung</translation>
    </message>
    <message>
        <source>Shared recordings</source>
        <translation>Gemeinsame Aufnahmen</translation>
    </message>
    <message>
        <source>New release</source>
        <translation>Neue Veröffentlichung</translation>
    </message>
    <message>
        <source>Remove a release</source>
        <translation>Veröffentlichung entfernen</translation>
    </message>
    <message>
        <source>“%1” was removed. Ctrl+Z brings it back.</source>
        <translation>„%1“ wurde entfernt. Strg+Z holt es zurück.</translation>
    </message>
    <message>
        <source>Editions of one set</source>
        <translation>Ausgaben einer Gruppe</translation>
    </message>
    <message>
        <source>Stands alone</source>
        <translation>Steht für sich</translation>
    </message>
    <message>
        <source>Not the same release</source>
        <translation>Nicht dieselbe Veröffentlichung</translation>
    </message>
    <message>
        <source>Looking for editions</source>
        <translation>Ausgaben werden gesucht</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasesPage</name>
    <message>
        <source>by title</source>
        <translation>nach Titel</translation>
    </message>
    <message>
        <source>by artist</source>
        <translation>nach Interpret</translation>
    </message>
    <message>
        <source>by date</source>
        <translation>nach Datum</translation>
    </message>
    <message>
        <source>by label</source>
        <translation>nach Label</translation>
    </message>
    <message>
        <source>Order of the releases</source>
        <translation>Reihenfolge der Veröffentlichungen</translation>
    </message>
    <message>
        <source>All releases</source>
        <translation>Alle Veröffentlichungen</translation>
    </message>
    <message>
        <source>New release…</source>
        <translation>Neue Veröffentlichung…</translation>
    </message>
    <message>
        <source>New release</source>
        <translation>Neue Veröffentlichung</translation>
    </message>
    <message>
        <source>By hand, or from a source…</source>
        <translation>Von Hand oder aus einer Quelle…</translation>
    </message>
    <message>
        <source>Another edition of this one…</source>
        <translation>Weitere Ausgabe von dieser…</translation>
    </message>
    <message>
        <source>Proposals</source>
        <translation>Vorschläge</translation>
    </message>
    <message>
        <source>Releases that may be editions of one and the same</source>
        <translation>Veröffentlichungen, die Ausgaben ein und derselben sein können</translation>
    </message>
    <message>
        <source>Proposals (%1)</source>
        <translation>Vorschläge (%1)</translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Veröffentlichungen</translation>
    </message>
    <message>
        <source>Search: title, number, barcode, artist …</source>
        <translation>Suche: Titel, Nummer, Strichcode, Interpret …</translation>
    </message>
    <message>
        <source>Search the releases</source>
        <translation>Veröffentlichungen durchsuchen</translation>
    </message>
    <message>
        <source>Fill from a source…</source>
        <translation>Aus einer Quelle füllen…</translation>
    </message>
    <message>
        <source>Compare…</source>
        <translation>Vergleichen…</translation>
    </message>
    <message>
        <source>With another edition: what they differ in, which recordings they share</source>
        <translation>Mit einer anderen Ausgabe: worin sie sich unterscheiden, welche Aufnahmen sie gemeinsam haben</translation>
    </message>
    <message>
        <source>Write to the files</source>
        <translation>In die Dateien schreiben</translation>
    </message>
    <message>
        <source>Makes drafts of what the release says, by the rules in Settings, Mirroring</source>
        <translation>Macht Entwürfe aus dem, was die Veröffentlichung sagt, nach den Regeln in Einstellungen, Spiegeln</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>A sheet of this release (Ctrl+Alt+S)</source>
        <translation>Ein Blatt zu dieser Veröffentlichung (Strg+Alt+S)</translation>
    </message>
    <message>
        <source>Add a track</source>
        <translation>Stück hinzufügen</translation>
    </message>
    <message numerus="yes">
        <source>%n release(s)</source>
        <translation>
            <numerusform>%n Veröffentlichung</numerusform>
            <numerusform>%n Veröffentlichungen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n set(s) of editions</source>
        <translation>
            <numerusform>, %n Gruppe von Ausgaben</numerusform>
            <numerusform>, %n Gruppen von Ausgaben</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>Reading …</source>
        <translation>Wird gelesen …</translation>
    </message>
    <message>
        <source>No releases yet</source>
        <translation>Noch keine Veröffentlichungen</translation>
    </message>
    <message>
        <source>Nothing is found</source>
        <translation>Nichts wird gefunden</translation>
    </message>
    <message>
        <source>What is put away on a shelf is here as a release, made of its tags. One that you have no files of can be entered, too.</source>
        <translation>Was auf einem Regal eingeordnet ist, steht hier als Veröffentlichung, aus seinen Tags gemacht. Auch eine, von der Sie keine Dateien haben, kann eingegeben werden.</translation>
    </message>
    <message>
        <source>No release has all of these words. A new one can be entered.</source>
        <translation>Keine Veröffentlichung hat alle diese Wörter. Eine neue kann eingegeben werden.</translation>
    </message>
    <message>
        <source>without a title</source>
        <translation>ohne Titel</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>a file of every track is here</source>
        <translation>von jedem Stück ist eine Datei hier</translation>
    </message>
    <message>
        <source>no file of it is here</source>
        <translation>keine Datei davon ist hier</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) without a file</source>
        <translation>
            <numerusform>%n Stück ohne Datei</numerusform>
            <numerusform>%n Stücke ohne Datei</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>one of %n edition(s)</source>
        <translation>
            <numerusform>eine von %n Ausgabe</numerusform>
            <numerusform>eine von %n Ausgaben</numerusform>
        </translation>
    </message>
    <message>
        <source>Hide what is not known</source>
        <translation>Verbergen, was nicht bekannt ist</translation>
    </message>
    <message numerus="yes">
        <source>%n more fact(s), not known</source>
        <translation>
            <numerusform>%n weitere Angabe, nicht bekannt</numerusform>
            <numerusform>%n weitere Angaben, nicht bekannt</numerusform>
        </translation>
    </message>
    <message>
        <source>Carrier of a release</source>
        <translation>Tonträger einer Veröffentlichung</translation>
    </message>
    <message>
        <source>Write “%1” to its files</source>
        <translation>„%1“ in ihre Dateien schreiben</translation>
    </message>
    <message>
        <source>release</source>
        <translation>Veröffentlichung</translation>
    </message>
    <message>
        <source>The files say all that already.</source>
        <translation>Die Dateien sagen das alles schon.</translation>
    </message>
    <message numerus="yes">
        <source>%n value(s) were proposed: see Review.</source>
        <translation>
            <numerusform>%n Wert wurde vorgeschlagen: siehe Durchsicht.</numerusform>
            <numerusform>%n Werte wurden vorgeschlagen: siehe Durchsicht.</numerusform>
        </translation>
    </message>
    <message>
        <source>Fill “%1”</source>
        <translation>„%1“ füllen</translation>
    </message>
    <message>
        <source>Agreement about “%1”</source>
        <translation>Vereinbarung über „%1“</translation>
    </message>
    <message>
        <source>Editions of one set</source>
        <translation>Ausgaben einer Gruppe</translation>
    </message>
    <message>
        <source>Stands alone, no edition of this set</source>
        <translation>Steht für sich, keine Ausgabe dieser Gruppe</translation>
    </message>
    <message>
        <source>New agreement</source>
        <translation>Neue Vereinbarung</translation>
    </message>
    <message>
        <source>Show in the library</source>
        <translation>In der Bibliothek zeigen</translation>
    </message>
    <message>
        <source>Remove…</source>
        <translation>Entfernen…</translation>
    </message>
    <message>
        <source>Forget what was said of it</source>
        <translation>Vergessen, was von ihr gesagt wurde</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReviewPage</name>
    <message>
        <source>Drop chosen</source>
        <translation>Gewählte verwerfen</translation>
    </message>
    <message>
        <source>Forget the chosen drafts (Delete). Files are not touched.</source>
        <translation>Die gewählten Entwürfe vergessen (Entf). Dateien werden nicht berührt.</translation>
    </message>
    <message>
        <source>Drop all</source>
        <translation>Alle verwerfen</translation>
    </message>
    <message>
        <source>Take back</source>
        <translation>Zurücknehmen</translation>
    </message>
    <message>
        <source>Retry</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>Write what is still drafted, once more</source>
        <translation>Noch einmal schreiben, was noch entworfen ist</translation>
    </message>
    <message>
        <source>Read again</source>
        <translation>Noch einmal lesen</translation>
    </message>
    <message>
        <source>Read the files that something else has changed. The drafts stay, to be reviewed against what the files hold now</source>
        <translation>Die Dateien lesen, die etwas anderes geändert hat. Die Entwürfe bleiben, um sie gegen das durchzusehen, was die Dateien jetzt enthalten</translation>
    </message>
    <message>
        <source>Change all names</source>
        <translation>Alle Namen ändern</translation>
    </message>
    <message>
        <source>Some files have other names (hard links): change the files themselves, so that all their names show the change</source>
        <translation>Manche Dateien haben andere Namen (Hardlinks): die Dateien selbst ändern, sodass alle ihre Namen die Änderung zeigen</translation>
    </message>
    <message>
        <source>Change this name only</source>
        <translation>Nur diesen Namen ändern</translation>
    </message>
    <message>
        <source>Some files have other names (hard links): give these names files of their own; the other names keep the old content</source>
        <translation>Manche Dateien haben andere Namen (Hardlinks): diesen Namen eigene Dateien geben; die anderen Namen behalten den alten Inhalt</translation>
    </message>
    <message>
        <source>Write all the same</source>
        <translation>Trotzdem schreiben</translation>
    </message>
    <message>
        <source>Some files are cut short. They are written to where it can be shown that what is there of their sound stays as it is</source>
        <translation>Manche Dateien sind abgeschnitten. Es wird in sie geschrieben, wo sich zeigen lässt, dass bleibt, was von ihrem Klang da ist</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Show in folder</source>
        <translation>Im Ordner zeigen</translation>
    </message>
    <message>
        <source>Take back these</source>
        <translation>Diese zurücknehmen</translation>
    </message>
    <message>
        <source>File and field</source>
        <translation>Datei und Feld</translation>
    </message>
    <message>
        <source>Will be</source>
        <translation>Wird</translation>
    </message>
    <message>
        <source>Is now</source>
        <translation>Ist jetzt</translation>
    </message>
    <message>
        <source>Where it comes from</source>
        <translation>Woher es kommt</translation>
    </message>
    <message>
        <source>Drafts and moves</source>
        <translation>Entwürfe und Umzüge</translation>
    </message>
    <message>
        <source>There are no drafts</source>
        <translation>Es gibt keine Entwürfe</translation>
    </message>
    <message>
        <source>What you type or take on the bench shows up here before anything is written.</source>
        <translation>Was Sie auf der Werkbank eingeben oder übernehmen, erscheint hier, bevor etwas geschrieben wird.</translation>
    </message>
    <message>
        <source>Drop all drafts</source>
        <translation>Alle Entwürfe verwerfen</translation>
    </message>
    <message>
        <source>Write the rest</source>
        <translation>Den Rest schreiben</translation>
    </message>
    <message>
        <source>Copy to</source>
        <translation>Kopieren nach</translation>
    </message>
    <message>
        <source>Rename to</source>
        <translation>Umbenennen in</translation>
    </message>
    <message>
        <source>Move to</source>
        <translation>Verschieben nach</translation>
    </message>
    <message>
        <source>stays: %1</source>
        <translation>bleibt: %1</translation>
    </message>
    <message>
        <source>no place could be worked out</source>
        <translation>es ließ sich kein Platz ermitteln</translation>
    </message>
    <message>
        <source>blank</source>
        <translation>leer</translation>
    </message>
    <message>
        <source>Review</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>%1 in %2</source>
        <translation>%1 in %2</translation>
    </message>
    <message numerus="yes">
        <source>%n draft(s)</source>
        <translation>
            <numerusform>%n Entwurf</numerusform>
            <numerusform>%n Entwürfe</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) to move</source>
        <translation>
            <numerusform>%n Datei zieht um</numerusform>
            <numerusform>%n Dateien ziehen um</numerusform>
        </translation>
    </message>
    <message>
        <source>%1. Nothing is written yet; all of it can be taken back afterwards.</source>
        <translation>%1. Noch ist nichts geschrieben; alles lässt sich danach zurücknehmen.</translation>
    </message>
    <message numerus="yes">
        <source>The journal is full. With this write the %n oldest set(s), until %1, can no longer be taken back. Settings can give the journal more room.</source>
        <translation>
            <numerusform>Das Journal ist voll. Mit diesem Schreiben kann der älteste Satz (%n), bis %1, nicht mehr zurückgenommen werden. Die Einstellungen können dem Journal mehr Platz geben.</numerusform>
            <numerusform>Das Journal ist voll. Mit diesem Schreiben können die %n ältesten Sätze, bis %1, nicht mehr zurückgenommen werden. Die Einstellungen können dem Journal mehr Platz geben.</numerusform>
        </translation>
    </message>
    <message>
        <source>Drop drafts</source>
        <translation>Entwürfe verwerfen</translation>
    </message>
    <message>
        <source>written</source>
        <translation>geschrieben</translation>
    </message>
    <message>
        <source>left as before</source>
        <translation>geblieben wie zuvor</translation>
    </message>
    <message>
        <source>not begun</source>
        <translation>nicht begonnen</translation>
    </message>
    <message>
        <source>Written</source>
        <translation>Geschrieben</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) written.</source>
        <translation>
            <numerusform>%n Datei geschrieben.</numerusform>
            <numerusform>%n Dateien geschrieben.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n emptied folder(s) gone.</source>
        <translation>
            <numerusform>%n leerer Ordner entfernt.</numerusform>
            <numerusform>%n leere Ordner entfernt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left on the bench.</source>
        <translation>
            <numerusform>%n Datei auf der Werkbank geblieben.</numerusform>
            <numerusform>%n Dateien auf der Werkbank geblieben.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left as before; the reasons are below, the drafts are kept.</source>
        <translation>
            <numerusform>%n Datei geblieben wie zuvor; die Gründe stehen unten, die Entwürfe bleiben.</numerusform>
            <numerusform>%n Dateien geblieben wie zuvor; die Gründe stehen unten, die Entwürfe bleiben.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Stopped: %n file(s) were not begun.</source>
        <translation>
            <numerusform>Angehalten: %n Datei wurde nicht begonnen.</numerusform>
            <numerusform>Angehalten: %n Dateien wurden nicht begonnen.</numerusform>
        </translation>
    </message>
    <message>
        <source>The journal keeps what was replaced.</source>
        <translation>Das Journal hebt auf, was ersetzt wurde.</translation>
    </message>
    <message>
        <source>Choose above what is to become of the other names.</source>
        <translation>Wählen Sie oben, was aus den anderen Namen werden soll.</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Was before</source>
        <translation>War zuvor</translation>
    </message>
    <message>
        <source>How it fared</source>
        <translation>Wie es ihr erging</translation>
    </message>
    <message numerus="yes">
        <source>Take back %n of these</source>
        <translation>
            <numerusform>%n davon zurücknehmen</numerusform>
            <numerusform>%n davon zurücknehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>Take back all</source>
        <translation>Alles zurücknehmen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RipController</name>
    <message>
        <source>The plan makes no sense: %1</source>
        <translation>Der Plan ergibt keinen Sinn: %1</translation>
    </message>
    <message>
        <source>Rip %1</source>
        <translation>%1 auslesen</translation>
    </message>
    <message>
        <source>Ripping %1</source>
        <translation>%1 wird ausgelesen</translation>
    </message>
    <message numerus="yes">
        <source>%1 is ripped: all %n track(s) are proven.</source>
        <translation>
            <numerusform>%1 ist ausgelesen: das %n Stück ist bewiesen.</numerusform>
            <numerusform>%1 ist ausgelesen: alle %n Stücke sind bewiesen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>The rip of %1 ended early: %2 %n track(s) are files.</source>
        <translation>
            <numerusform>Das Auslesen von %1 endete früher: %2 %n Stück ist eine Datei.</numerusform>
            <numerusform>Das Auslesen von %1 endete früher: %2 %n Stücke sind Dateien.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Of %1, %n track(s) could not be ripped.</source>
        <translation>
            <numerusform>Von %1 konnte %n Stück nicht ausgelesen werden.</numerusform>
            <numerusform>Von %1 konnten %n Stücke nicht ausgelesen werden.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 is ripped.</source>
        <translation>%1 ist ausgelesen.</translation>
    </message>
    <message numerus="yes">
        <source>Places that never read the same twice are in %n track(s).</source>
        <translation>
            <numerusform>Stellen, die sich nie zweimal gleich lasen, sind in %n Stück.</numerusform>
            <numerusform>Stellen, die sich nie zweimal gleich lasen, sind in %n Stücken.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RipPanel</name>
    <message>
        <source>track %1</source>
        <translation>Stück %1</translation>
    </message>
    <message>
        <source>Rip to files</source>
        <translation>In Dateien auslesen</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message>
        <source>%1, every sample</source>
        <translation>%1, jedes Sample</translation>
    </message>
    <message>
        <source>Bit rate</source>
        <translation>Bitrate</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>Shelf and plan</source>
        <translation>Regal und Plan</translation>
    </message>
    <message>
        <source>Where it will be</source>
        <translation>Wo sie sein werden</translation>
    </message>
    <message>
        <source>Pictures for the files</source>
        <translation>Bilder für die Dateien</translation>
    </message>
    <message>
        <source>Reading</source>
        <translation>Lesung</translation>
    </message>
    <message>
        <source>until two readings agree</source>
        <translation>bis zwei Lesungen übereinstimmen</translation>
    </message>
    <message>
        <source>Each sector is read twice at least; what never reads the same twice is named</source>
        <translation>Jeder Sektor wird mindestens zweimal gelesen; was sich nie zweimal gleich liest, wird genannt</translation>
    </message>
    <message>
        <source>check by sound afterwards</source>
        <translation>danach nach Klang prüfen</translation>
    </message>
    <message>
        <source>The files are listened to, and compared with the release that was chosen</source>
        <translation>Die Dateien werden angehört und mit der gewählten Veröffentlichung verglichen</translation>
    </message>
    <message>
        <source>eject at the end</source>
        <translation>am Ende auswerfen</translation>
    </message>
    <message>
        <source>When all that was asked for is ripped</source>
        <translation>Wenn alles Gewünschte ausgelesen ist</translation>
    </message>
    <message>
        <source>Drives give their samples some too late or too early, always by the same number. Corrected, a disc reads the same in every drive.</source>
        <translation>Laufwerke geben ihre Samples um einige zu spät oder zu früh, immer um dieselbe Zahl. Berichtigt, liest sich eine Disc in jedem Laufwerk gleich.</translation>
    </message>
    <message>
        <source>Find it by this disc</source>
        <translation>Mit dieser Disc finden</translation>
    </message>
    <message>
        <source>Enter it…</source>
        <translation>Eingeben…</translation>
    </message>
    <message>
        <source>%1 kbit/s</source>
        <translation>%1 kbit/s</translation>
    </message>
    <message>
        <source>Folder %1</source>
        <translation>Ordner %1</translation>
    </message>
    <message>
        <source>Another folder…</source>
        <translation>Anderer Ordner…</translation>
    </message>
    <message>
        <source>own plan</source>
        <translation>eigener Plan</translation>
    </message>
    <message>
        <source>Where ripped discs go</source>
        <translation>Wohin ausgelesene Discs kommen</translation>
    </message>
    <message>
        <source>The offset of this drive is not known.</source>
        <translation>Der Versatz dieses Laufwerks ist nicht bekannt.</translation>
    </message>
    <message>
        <source>Offset of this drive: %1 samples, entered by hand</source>
        <translation>Versatz dieses Laufwerks: %1 Samples, von Hand eingegeben</translation>
    </message>
    <message>
        <source>Offset of this drive: %1 samples, found with %2</source>
        <translation>Versatz dieses Laufwerks: %1 Samples, gefunden mit %2</translation>
    </message>
    <message>
        <source>Pictures for the files: fetching…</source>
        <translation>Bilder für die Dateien: werden geholt…</translation>
    </message>
    <message>
        <source>Offset of %1</source>
        <translation>Versatz von %1</translation>
    </message>
    <message>
        <source>By how many samples is what it reads too late on the disc?</source>
        <translation>Um wie viele Samples kommt auf der Disc zu spät, was es liest?</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>und %n weitere</numerusform>
            <numerusform>und %n weitere</numerusform>
        </translation>
    </message>
    <message>
        <source>all of it is ripped</source>
        <translation>alles ist ausgelesen</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowBox</name>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>Line %1</source>
        <translation>Zeile %1</translation>
    </message>
    <message>
        <source>Line %1: %2</source>
        <translation>Zeile %1: %2</translation>
    </message>
    <message>
        <source>Means %1.</source>
        <translation>Meint %1.</translation>
    </message>
    <message>
        <source>%1: %2%3</source>
        <translation>%1: %2%3</translation>
    </message>
    <message>
        <source> in place of %1</source>
        <translation> statt %1</translation>
    </message>
    <message>
        <source>This row counts, the others are left out</source>
        <translation>Diese Zeile zählt, die anderen werden ausgelassen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInController</name>
    <message>
        <source>Looking at the sheet</source>
        <translation>Die Tabelle wird angesehen</translation>
    </message>
    <message>
        <source>Reading the sheet</source>
        <translation>Die Tabelle wird gelesen</translation>
    </message>
    <message>
        <source>This track is not in the library any more.</source>
        <translation>Dieses Stück ist nicht mehr in der Bibliothek.</translation>
    </message>
    <message>
        <source>The sheet says nothing else than the library has.</source>
        <translation>Die Tabelle sagt nichts anderes, als die Bibliothek hat.</translation>
    </message>
    <message>
        <source>Sheet “%1”</source>
        <translation>Tabelle „%1“</translation>
    </message>
    <message numerus="yes">
        <source>Proposed: %n value(s).</source>
        <translation>
            <numerusform>Vorgeschlagen: %n Wert.</numerusform>
            <numerusform>Vorgeschlagen: %n Werte.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Kept in the library: of %n track(s).</source>
        <translation>
            <numerusform>In der Bibliothek geführt: bei %n Stück.</numerusform>
            <numerusform>In der Bibliothek geführt: bei %n Stücken.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation>
            <numerusform>In %n Datei kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
            <numerusform>In %n Dateien kann nicht geschrieben werden: für sie gibt es keine Entwürfe.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n new track(s) without a file.</source>
        <translation>
            <numerusform>%n neues Stück ohne Datei.</numerusform>
            <numerusform>%n neue Stücke ohne Datei.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>To be brought in, because they are there: %n file(s).</source>
        <translation>
            <numerusform>Einzulesen, weil sie da ist: %n Datei.</numerusform>
            <numerusform>Einzulesen, weil sie da sind: %n Dateien.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInModel</name>
    <message>
        <source>track %1</source>
        <translation>Stück %1</translation>
    </message>
    <message>
        <source>Says otherwise: %1</source>
        <translation>Sagt es anders: %1</translation>
    </message>
    <message numerus="yes">
        <source>%n tracks are as likely</source>
        <translation>
            <numerusform>%n Stück ist so wahrscheinlich</numerusform>
            <numerusform>%n Stücke sind gleich wahrscheinlich</numerusform>
        </translation>
    </message>
    <message>
        <source>No track found</source>
        <translation>Kein Stück gefunden</translation>
    </message>
    <message>
        <source>Another row says otherwise</source>
        <translation>Eine andere Zeile sagt es anders</translation>
    </message>
    <message>
        <source>Says what the library has</source>
        <translation>Sagt, was die Bibliothek hat</translation>
    </message>
    <message>
        <source>Says the same again</source>
        <translation>Sagt noch einmal dasselbe</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Ausgelassen</translation>
    </message>
    <message>
        <source>New entry without a file</source>
        <translation>Neuer Eintrag ohne Datei</translation>
    </message>
    <message>
        <source>%1. %2</source>
        <translation>%1. %2</translation>
    </message>
    <message>
        <source>Line</source>
        <translation>Zeile</translation>
    </message>
    <message>
        <source>The row says</source>
        <translation>Die Zeile sagt</translation>
    </message>
    <message>
        <source>Track of the library</source>
        <translation>Stück der Bibliothek</translation>
    </message>
    <message>
        <source>What comes of it</source>
        <translation>Was daraus wird</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInView</name>
    <message>
        <source>Choose a sheet…</source>
        <translation>Tabelle wählen…</translation>
    </message>
    <message>
        <source>Layout whose columns it has</source>
        <translation>Layout, dessen Spalten sie hat</translation>
    </message>
    <message>
        <source>Encoding</source>
        <translation>Kodierung</translation>
    </message>
    <message>
        <source>Comma</source>
        <translation>Komma</translation>
    </message>
    <message>
        <source>Semicolon</source>
        <translation>Semikolon</translation>
    </message>
    <message>
        <source>Tab</source>
        <translation>Tabulator</translation>
    </message>
    <message>
        <source>Vertical bar</source>
        <translation>Senkrechter Strich</translation>
    </message>
    <message>
        <source>Colon</source>
        <translation>Doppelpunkt</translation>
    </message>
    <message>
        <source>Delimiter</source>
        <translation>Trennzeichen</translation>
    </message>
    <message>
        <source>The first row has headings</source>
        <translation>Die erste Zeile hat Überschriften</translation>
    </message>
    <message>
        <source>Quotes hold cells together</source>
        <translation>Anführungszeichen halten Zellen zusammen</translation>
    </message>
    <message>
        <source>Blank cells clear fields</source>
        <translation>Leere Zellen leeren Felder</translation>
    </message>
    <message>
        <source>Columns of the sheet</source>
        <translation>Spalten der Tabelle</translation>
    </message>
    <message>
        <source>does not count</source>
        <translation>zählt nicht</translation>
    </message>
    <message>
        <source>What the column says</source>
        <translation>Was die Spalte sagt</translation>
    </message>
    <message>
        <source>Columns of</source>
        <translation>Spalten von</translation>
    </message>
    <message>
        <source>Its columns, and what they say</source>
        <translation>Ihre Spalten, und was sie sagen</translation>
    </message>
    <message>
        <source>Rows of the sheet</source>
        <translation>Zeilen der Tabelle</translation>
    </message>
    <message>
        <source>It means another track: title, artist …</source>
        <translation>Sie meint ein anderes Stück: Titel, Interpret …</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Auslassen</translation>
    </message>
    <message>
        <source>Entries without a file…</source>
        <translation>Einträge ohne Datei…</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Choose a sheet</source>
        <translation>Tabelle wählen</translation>
    </message>
    <message>
        <source>Sheets (*.csv *.tsv *.txt *.tab);;All files (*)</source>
        <translation>Tabellen (*.csv *.tsv *.txt *.tab);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Another sheet…</source>
        <translation>Andere Tabelle…</translation>
    </message>
    <message>
        <source>This sheet cannot be read</source>
        <translation>Diese Tabelle kann nicht gelesen werden</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Take in what others send</source>
        <translation>Hereinnehmen, was andere schicken</translation>
    </message>
    <message>
        <source>A corrected list, codes from a label, a playout system's table: each row finds its track by path, code, or words and length. What it says otherwise becomes drafts. Choose the file, or drop it here.</source>
        <translation>Eine berichtigte Liste, Codes von einem Label, die Tabelle eines Sendesystems: jede Zeile findet ihr Stück nach Pfad, Code oder Wörtern und Länge. Was sie anders sagt, wird Entwurf. Wählen Sie die Datei, oder ziehen Sie sie hierher.</translation>
    </message>
    <message>
        <source>no layout: by its headings</source>
        <translation>kein Layout: nach den Überschriften</translation>
    </message>
    <message>
        <source>Column %1</source>
        <translation>Spalte %1</translation>
    </message>
    <message>
        <source>Nothing in the first rows.</source>
        <translation>Nichts in den ersten Zeilen.</translation>
    </message>
    <message>
        <source>To settle</source>
        <translation>Zu klären</translation>
    </message>
    <message>
        <source>Otherwise</source>
        <translation>Anders</translation>
    </message>
    <message>
        <source>Agree</source>
        <translation>Stimmen überein</translation>
    </message>
    <message>
        <source>Left out</source>
        <translation>Ausgelassen</translation>
    </message>
    <message>
        <source>All</source>
        <translation>Alle</translation>
    </message>
    <message>
        <source>%1  %L2</source>
        <translation>%1  %L2</translation>
    </message>
    <message>
        <source>Nothing to take</source>
        <translation>Nichts zu übernehmen</translation>
    </message>
    <message numerus="yes">
        <source>Take %n row(s) as drafts</source>
        <translation>
            <numerusform>%n Zeile als Entwürfe übernehmen</numerusform>
            <numerusform>%n Zeilen als Entwürfe übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>Reading the sheet …</source>
        <translation>Die Tabelle wird gelesen …</translation>
    </message>
    <message numerus="yes">
        <source>%n row(s)</source>
        <translation>
            <numerusform>%n Zeile</numerusform>
            <numerusform>%n Zeilen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n agree</source>
        <translation>
            <numerusform>%n stimmt überein</numerusform>
            <numerusform>%n stimmen überein</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n character(s) cannot be read in this encoding</source>
        <translation>
            <numerusform>%n Zeichen kann in dieser Kodierung nicht gelesen werden</numerusform>
            <numerusform>%n Zeichen können in dieser Kodierung nicht gelesen werden</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>left out: %n NUL character(s)</source>
        <translation>
            <numerusform>ausgelassen: %n NUL-Zeichen</numerusform>
            <numerusform>ausgelassen: %n NUL-Zeichen</numerusform>
        </translation>
    </message>
    <message>
        <source>There is no shelf yet that entries could stand on: add one in Settings.</source>
        <translation>Es gibt noch kein Regal, auf dem Einträge stehen könnten: fügen Sie in den Einstellungen eins hinzu.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsOutController</name>
    <message>
        <source>%L1 rows are too many to copy: save them as a file.</source>
        <translation>%L1 Zeilen sind zu viele zum Kopieren: speichern Sie sie als Datei.</translation>
    </message>
    <message>
        <source>Writing the sheet</source>
        <translation>Die Tabelle wird geschrieben</translation>
    </message>
    <message numerus="yes">
        <source>Saved %n row(s) as %1.</source>
        <translation>
            <numerusform>%n Zeile als %1 gespeichert.</numerusform>
            <numerusform>%n Zeilen als %1 gespeichert.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n row(s)</source>
        <translation>
            <numerusform>%n Zeile</numerusform>
            <numerusform>%n Zeilen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsOutView</name>
    <message>
        <source>Columns of the sheet</source>
        <translation>Spalten der Tabelle</translation>
    </message>
    <message>
        <source>Add a column…</source>
        <translation>Spalte hinzufügen…</translation>
    </message>
    <message>
        <source>Add a column</source>
        <translation>Spalte hinzufügen</translation>
    </message>
    <message>
        <source>A sheet has at least one column.</source>
        <translation>Eine Tabelle hat mindestens eine Spalte.</translation>
    </message>
    <message>
        <source>A sheet has at most %1 columns.</source>
        <translation>Eine Tabelle hat höchstens %1 Spalten.</translation>
    </message>
    <message>
        <source>Columns: drag to put in order</source>
        <translation>Spalten: ziehen, um sie zu ordnen</translation>
    </message>
    <message>
        <source>This column</source>
        <translation>Diese Spalte</translation>
    </message>
    <message>
        <source>The file</source>
        <translation>Die Datei</translation>
    </message>
    <message>
        <source>Delimited text (CSV)</source>
        <translation>Text mit Trennzeichen (CSV)</translation>
    </message>
    <message>
        <source>Workbook (XLSX)</source>
        <translation>Arbeitsmappe (XLSX)</translation>
    </message>
    <message>
        <source>JSON Lines</source>
        <translation>JSON Lines</translation>
    </message>
    <message>
        <source>Kind of file</source>
        <translation>Art der Datei</translation>
    </message>
    <message>
        <source>Delimiter</source>
        <translation>Trennzeichen</translation>
    </message>
    <message>
        <source>where needed</source>
        <translation>wo nötig</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>Quotes</source>
        <translation>Anführungszeichen</translation>
    </message>
    <message>
        <source>Encoding</source>
        <translation>Kodierung</translation>
    </message>
    <message>
        <source>Byte order mark in front</source>
        <translation>Byte Order Mark am Anfang</translation>
    </message>
    <message>
        <source>Headings in the first row</source>
        <translation>Überschriften in der ersten Zeile</translation>
    </message>
    <message>
        <source>point: 221.4</source>
        <translation>Punkt: 221.4</translation>
    </message>
    <message>
        <source>comma: 221,4</source>
        <translation>Komma: 221,4</translation>
    </message>
    <message>
        <source>Decimal mark</source>
        <translation>Dezimalzeichen</translation>
    </message>
    <message>
        <source>Dates</source>
        <translation>Datumsangaben</translation>
    </message>
    <message>
        <source>/srv/music</source>
        <translation>/srv/musik</translation>
    </message>
    <message>
        <source>Paths here begin with</source>
        <translation>Pfade beginnen hier mit</translation>
    </message>
    <message>
        <source>M:\music</source>
        <translation>M:\musik</translation>
    </message>
    <message>
        <source>and there with</source>
        <translation>und dort mit</translation>
    </message>
    <message>
        <source>What is proposed and not written counts</source>
        <translation>Entwürfe zählen mit</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>Decimals</source>
        <translation>Dezimalstellen</translation>
    </message>
    <message>
        <source>Paths here</source>
        <translation>Pfade hier</translation>
    </message>
    <message>
        <source>become there</source>
        <translation>werden dort</translation>
    </message>
    <message>
        <source>The first rows as they will be</source>
        <translation>Die ersten Zeilen, wie sie werden</translation>
    </message>
    <message>
        <source>For whom</source>
        <translation>Für wen</translation>
    </message>
    <message>
        <source>For whom the sheet is</source>
        <translation>Für wen die Tabelle ist</translation>
    </message>
    <message>
        <source>Copy as text</source>
        <translation>Als Text kopieren</translation>
    </message>
    <message>
        <source>Save as…</source>
        <translation>Speichern unter…</translation>
    </message>
    <message>
        <source>always “%1”</source>
        <translation>immer „%1“</translation>
    </message>
    <message numerus="yes">
        <source>in %n columns</source>
        <translation>
            <numerusform>in %n Spalte</numerusform>
            <numerusform>in %n Spalten</numerusform>
        </translation>
    </message>
    <message>
        <source>Reading …</source>
        <translation>Wird gelesen …</translation>
    </message>
    <message>
        <source>Add tracks on the left, or send them from the Library with Ctrl+Alt+H.</source>
        <translation>Fügen Sie links Stücke hinzu, oder schicken Sie sie aus der Bibliothek mit Strg+Alt+H.</translation>
    </message>
    <message>
        <source>As it will be · the first %1 of %L2 rows</source>
        <translation>Wie sie wird · die ersten %1 von %L2 Zeilen</translation>
    </message>
    <message numerus="yes">
        <source>As it will be · %n row(s)</source>
        <translation>
            <numerusform>Wie sie wird · %n Zeile</numerusform>
            <numerusform>Wie sie wird · %n Zeilen</numerusform>
        </translation>
    </message>
    <message>
        <source>The sheet is copied as text.</source>
        <translation>Das Blatt ist als Text kopiert.</translation>
    </message>
    <message>
        <source>Save the sheet</source>
        <translation>Blatt speichern</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RuleBox</name>
    <message>
        <source>Look for this</source>
        <translation>Danach suchen</translation>
    </message>
    <message>
        <source>How much it weighs</source>
        <translation>Wie viel es wiegt</translation>
    </message>
    <message>
        <source>Limit of the rule</source>
        <translation>Grenze der Regel</translation>
    </message>
    <message>
        <source>Weight</source>
        <translation>Gewicht</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RuleRow</name>
    <message>
        <source>Fields</source>
        <translation>Felder</translation>
    </message>
    <message>
        <source>Track numbers</source>
        <translation>Stücknummern</translation>
    </message>
    <message>
        <source>Picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>Codes</source>
        <translation>Codes</translation>
    </message>
    <message>
        <source>Songs</source>
        <translation>Songs</translation>
    </message>
    <message>
        <source>Names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Nach oben</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Nach unten</translation>
    </message>
    <message>
        <source>Remove the rule</source>
        <translation>Regel entfernen</translation>
    </message>
    <message>
        <source>in every file, well formed</source>
        <translation>in jeder Datei, richtig gebildet</translation>
    </message>
    <message>
        <source>ISRC, ISWC and barcode are checked, check digits included. An ISRC is in one file only.</source>
        <translation>ISRC, ISWC und Strichcode werden geprüft, mit ihren Prüfziffern. Ein ISRC ist nur in einer Datei.</translation>
    </message>
    <message>
        <source>in every file</source>
        <translation>in jeder Datei</translation>
    </message>
    <message>
        <source>the same in all</source>
        <translation>in allen gleich</translation>
    </message>
    <message>
        <source>1, 2, 3 … on each disc, no gap, none twice</source>
        <translation>1, 2, 3 … auf jeder Disc, keine Lücke, keine zweimal</translation>
    </message>
    <message>
        <source>in every file, its shorter side at least</source>
        <translation>in jeder Datei, die kürzere Seite mindestens</translation>
    </message>
    <message>
        <source> pixels</source>
        <translation> Pixel</translation>
    </message>
    <message>
        <source>any size</source>
        <translation>jede Größe</translation>
    </message>
    <message>
        <source>Shorter side</source>
        <translation>Kürzere Seite</translation>
    </message>
    <message>
        <source>front cover</source>
        <translation>Vorderseite</translation>
    </message>
    <message>
        <source>%1 Until then the rule is left out.</source>
        <translation>%1 Bis dahin wird die Regel ausgelassen.</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message numerus="yes">
        <source>%n sleeve(s) on the bench, met by %1</source>
        <translation>
            <numerusform>%n Hülle auf der Werkbank, erfüllt von %1</numerusform>
            <numerusform>%n Hüllen auf der Werkbank, erfüllt von %1</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RulesList</name>
    <message>
        <source>Rule</source>
        <translation>Regel</translation>
    </message>
    <message>
        <source>Rules</source>
        <translation>Regeln</translation>
    </message>
    <message>
        <source>All findings</source>
        <translation>Alle Befunde</translation>
    </message>
    <message>
        <source>Left as they are</source>
        <translation>Belassene</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SameSound</name>
    <message>
        <source>Looking for files of one recording</source>
        <translation>Dateien einer Aufnahme werden gesucht</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SameSoundPage</name>
    <message>
        <source>Groups of one sound</source>
        <translation>Gruppen eines Klangs</translation>
    </message>
    <message>
        <source>The surest first</source>
        <translation>Die sichersten zuerst</translation>
    </message>
    <message>
        <source>Look again</source>
        <translation>Noch einmal ansehen</translation>
    </message>
    <message>
        <source>The library has changed since they were looked for</source>
        <translation>Die Bibliothek hat sich geändert, seit sie gesucht wurden</translation>
    </message>
    <message>
        <source>Listen to A</source>
        <translation>A anhören</translation>
    </message>
    <message>
        <source>equal loudness</source>
        <translation>gleich laut</translation>
    </message>
    <message>
        <source>equal speed</source>
        <translation>gleich schnell</translation>
    </message>
    <message>
        <source>X changes over at the same place</source>
        <translation>X wechselt an derselben Stelle</translation>
    </message>
    <message>
        <source>What the files differ in</source>
        <translation>Worin sich die Dateien unterscheiden</translation>
    </message>
    <message>
        <source>These are one recording</source>
        <translation>Das ist eine Aufnahme</translation>
    </message>
    <message>
        <source>Another version…</source>
        <translation>Eine andere Fassung…</translation>
    </message>
    <message>
        <source>B is: %1</source>
        <translation>B ist: %1</translation>
    </message>
    <message>
        <source>Not the same</source>
        <translation>Nicht dasselbe</translation>
    </message>
    <message>
        <source>Look for them</source>
        <translation>Suchen</translation>
    </message>
    <message numerus="yes">
        <source>%n group(s)</source>
        <translation>
            <numerusform>%n Gruppe</numerusform>
            <numerusform>%n Gruppen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Comparing how the files sound …</source>
        <translation>Es wird verglichen, wie die Dateien klingen …</translation>
    </message>
    <message>
        <source>Each file is looked for among all.</source>
        <translation>Jede Datei wird unter allen gesucht.</translation>
    </message>
    <message>
        <source>Which files sound the same?</source>
        <translation>Welche Dateien klingen gleich?</translation>
    </message>
    <message>
        <source>The library listens to itself in the background; what it has heard is compared.</source>
        <translation>Die Bibliothek hört sich im Hintergrund an; was sie gehört hat, wird verglichen.</translation>
    </message>
    <message>
        <source>No two files sound the same</source>
        <translation>Keine zwei Dateien klingen gleich</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were not listened to yet.</source>
        <translation>
            <numerusform>%n Datei wurde noch nicht angehört.</numerusform>
            <numerusform>%n Dateien wurden noch nicht angehört.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were compared.</source>
        <translation>
            <numerusform>%n Datei wurde verglichen.</numerusform>
            <numerusform>%n Dateien wurden verglichen.</numerusform>
        </translation>
    </message>
    <message>
        <source>surely the same</source>
        <translation>sicher dieselbe</translation>
    </message>
    <message>
        <source>possibly the same</source>
        <translation>vielleicht dieselbe</translation>
    </message>
    <message>
        <source>not the same sound</source>
        <translation>nicht derselbe Klang</translation>
    </message>
    <message>
        <source>%1 of %2 match, offset %3 s</source>
        <translation>%1 von %2 passen, Versatz %3 s</translation>
    </message>
    <message>
        <source>z = %1</source>
        <translation>z = %1</translation>
    </message>
    <message>
        <source>Keep A only</source>
        <translation>Nur A behalten</translation>
    </message>
    <message numerus="yes">
        <source>the other %n go to the trash; it can be taken back</source>
        <translation>
            <numerusform>%n andere geht in den Papierkorb; es kann zurückgenommen werden</numerusform>
            <numerusform>die anderen %n gehen in den Papierkorb; es kann zurückgenommen werden</numerusform>
        </translation>
    </message>
    <message>
        <source>B goes to the trash; it can be taken back</source>
        <translation>B geht in den Papierkorb; es kann zurückgenommen werden</translation>
    </message>
    <message>
        <source>equal loudness (A %1 dB softer)</source>
        <translation>gleich laut (A %1 dB leiser)</translation>
    </message>
    <message>
        <source>equal loudness (B %1 dB softer)</source>
        <translation>gleich laut (B %1 dB leiser)</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>better: nothing was lost in coding</source>
        <translation>besser: beim Kodieren ging nichts verloren</translation>
    </message>
    <message>
        <source>better: %1 bit</source>
        <translation>besser: %1 Bit</translation>
    </message>
    <message>
        <source>better: %L1 kHz</source>
        <translation>besser: %L1 kHz</translation>
    </message>
    <message>
        <source>better: %1 kbit/s</source>
        <translation>besser: %1 kbit/s</translation>
    </message>
    <message>
        <source>the better copy</source>
        <translation>die bessere Kopie</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Quality</source>
        <translation>Qualität</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>taken as right</source>
        <translation>als richtig genommen</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>the same</source>
        <translation>dieselbe</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Loudness</source>
        <translation>Lautheit</translation>
    </message>
    <message>
        <source>%1 LUFS</source>
        <translation>%1 LUFS</translation>
    </message>
    <message>
        <source>being measured</source>
        <translation>wird gemessen</translation>
    </message>
    <message>
        <source>Tags</source>
        <translation>Tags</translation>
    </message>
    <message numerus="yes">
        <source>%n field(s)</source>
        <translation>
            <numerusform>%n Feld</numerusform>
            <numerusform>%n Felder</numerusform>
        </translation>
    </message>
    <message>
        <source>, no picture</source>
        <translation>, kein Bild</translation>
    </message>
    <message>
        <source>, with picture</source>
        <translation>, mit Bild</translation>
    </message>
    <message>
        <source>Title</source>
        <translation>Titel</translation>
    </message>
    <message>
        <source>Album</source>
        <translation>Album</translation>
    </message>
    <message>
        <source>ISRC</source>
        <translation>ISRC</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>one recording</source>
        <translation>eine Aufnahme</translation>
    </message>
    <message numerus="yes">
        <source>one with %n other(s)</source>
        <translation>
            <numerusform>eine mit %n anderen</numerusform>
            <numerusform>eine mit %n anderen</numerusform>
        </translation>
    </message>
    <message>
        <source>of its own</source>
        <translation>für sich</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SampleFilesDialog</name>
    <message>
        <source>Try it with sample files</source>
        <translation>Mit Beispieldateien ausprobieren</translation>
    </message>
    <message>
        <source>Makes folders of invented music, as messy as real ones: rips, transfers, downloads. They open in a window of their own, with a library of their own. Your library and your files are not touched. To be rid of them, delete the folder.</source>
        <translation>Macht Ordner mit erfundener Musik, so unordentlich wie echte: Ausgelesenes, Überspielungen, Heruntergeladenes. Sie öffnen sich in einem eigenen Fenster mit einer eigenen Bibliothek. Ihre Bibliothek und Ihre Dateien werden nicht berührt. Um sie loszuwerden, löschen Sie den Ordner.</translation>
    </message>
    <message>
        <source>Folder for the sample files</source>
        <translation>Ordner für die Beispieldateien</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>How far it is</source>
        <translation>Wie weit es ist</translation>
    </message>
    <message>
        <source>Make and open them</source>
        <translation>Anlegen und öffnen</translation>
    </message>
    <message>
        <source>A folder for the sample files</source>
        <translation>Ein Ordner für die Beispieldateien</translation>
    </message>
    <message>
        <source>The program that makes them is not there. Install Moorfrost again.</source>
        <translation>Das Programm, das sie macht, ist nicht da. Installieren Sie Moorfrost noch einmal.</translation>
    </message>
    <message>
        <source>Open them</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Choose a folder.</source>
        <translation>Wählen Sie einen Ordner.</translation>
    </message>
    <message>
        <source>They are there already, as you left them.</source>
        <translation>Sie sind schon da, wie Sie sie verlassen haben.</translation>
    </message>
    <message>
        <source>Something else is in that folder. Choose a new or an empty one.</source>
        <translation>In diesem Ordner ist etwas anderes. Wählen Sie einen neuen oder einen leeren.</translation>
    </message>
    <message>
        <source>Takes about a minute and 200 MB.</source>
        <translation>Dauert etwa eine Minute und braucht 200 MB.</translation>
    </message>
    <message>
        <source>Making the sample files…</source>
        <translation>Die Beispieldateien werden angelegt…</translation>
    </message>
    <message>
        <source>The sample files could not be made: %1</source>
        <translation>Die Beispieldateien konnten nicht angelegt werden: %1</translation>
    </message>
    <message>
        <source>They are made, but another window could not be started.</source>
        <translation>Sie sind angelegt, aber ein weiteres Fenster konnte nicht gestartet werden.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SearchBar</name>
    <message>
        <source>Search: words, artist:varnholt, year:1970-1989, missing:isrc …</source>
        <translation>Suche: Wörter, artist:varnholt, year:1970-1989, missing:isrc …</translation>
    </message>
    <message>
        <source>Search the library</source>
        <translation>Die Bibliothek durchsuchen</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suche</translation>
    </message>
    <message>
        <source>Shows the place</source>
        <translation>Zeigt die Stelle</translation>
    </message>
    <message>
        <source>Take this question out</source>
        <translation>Diese Frage herausnehmen</translation>
    </message>
    <message>
        <source>Take out: %1</source>
        <translation>%1 herausnehmen</translation>
    </message>
    <message>
        <source>Looking for what may follow</source>
        <translation>Was folgen kann, wird gesucht</translation>
    </message>
    <message>
        <source>%1   %L2</source>
        <translation>%1   %L2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SectionList</name>
    <message numerus="yes">
        <source>%n gap(s)</source>
        <translation>
            <numerusform>%n Lücke</numerusform>
            <numerusform>%n Lücken</numerusform>
        </translation>
    </message>
    <message>
        <source>Sections of the sheet</source>
        <translation>Abschnitte des Blatts</translation>
    </message>
    <message>
        <source>Drag to put in order, or Alt+Up and Alt+Down; Space puts a section on or off.</source>
        <translation>Ziehen, um zu ordnen, oder Alt+Auf und Alt+Ab; die Leertaste schaltet einen Abschnitt ein und aus.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SetProposals</name>
    <message>
        <source>Editions that may be of one set</source>
        <translation>Ausgaben, die zu einer Gruppe gehören können</translation>
    </message>
    <message>
        <source>Release</source>
        <translation>Veröffentlichung</translation>
    </message>
    <message>
        <source>Sure</source>
        <translation>Sicher</translation>
    </message>
    <message>
        <source>Why</source>
        <translation>Warum</translation>
    </message>
    <message>
        <source>Proposals</source>
        <translation>Vorschläge</translation>
    </message>
    <message>
        <source>Not the same</source>
        <translation>Nicht dasselbe</translation>
    </message>
    <message>
        <source>The chosen ones are not proposed again</source>
        <translation>Die gewählten werden nicht wieder vorgeschlagen</translation>
    </message>
    <message>
        <source>Join the ticked ones</source>
        <translation>Die angekreuzten vereinen</translation>
    </message>
    <message>
        <source>What is ticked becomes one set of editions each. Nothing happens to the files.</source>
        <translation>Was angekreuzt ist, wird je eine Gruppe von Ausgaben. Mit den Dateien geschieht nichts.</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>There is nothing to propose.</source>
        <translation>Es ist nichts vorzuschlagen.</translation>
    </message>
    <message>
        <source>%1 of %2 ticked</source>
        <translation>%1 von %2 angekreuzt</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SettingsFilePart</name>
    <message>
        <source>Save settings as a file…</source>
        <translation>Einstellungen als Datei speichern…</translation>
    </message>
    <message>
        <source>Take settings in…</source>
        <translation>Einstellungen übernehmen…</translation>
    </message>
    <message>
        <source>Plans</source>
        <translation>Pläne</translation>
    </message>
    <message>
        <source>Chains of steps</source>
        <translation>Ketten von Schritten</translation>
    </message>
    <message>
        <source>Standards</source>
        <translation>Standards</translation>
    </message>
    <message>
        <source>Custom fields</source>
        <translation>Eigene Felder</translation>
    </message>
    <message>
        <source>Layouts of what is delivered</source>
        <translation>Layouts für das, was weitergegeben wird</translation>
    </message>
    <message>
        <source>Rules of the audit</source>
        <translation>Regeln der Prüfung</translation>
    </message>
    <message>
        <source>References, and what is taken from them</source>
        <translation>Referenzen, und was aus ihnen übernommen wird</translation>
    </message>
    <message>
        <source>Mirroring</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>Patterns of shares, keywords</source>
        <translation>Muster von Anteilen, Schlagwörter</translation>
    </message>
    <message>
        <source>Names, writing, searching</source>
        <translation>Namen, Schreiben, Suchen</translation>
    </message>
    <message>
        <source>Everything is as it was at first: there is nothing to save.</source>
        <translation>Alles ist wie am Anfang: es gibt nichts zu speichern.</translation>
    </message>
    <message>
        <source>Save settings as a file</source>
        <translation>Einstellungen als Datei speichern</translation>
    </message>
    <message>
        <source>What goes into the file. Folders, shelves and what was used last stay here: they belong to this machine.</source>
        <translation>Was in die Datei kommt. Ordner, Regale und das zuletzt Benutzte bleiben hier: sie gehören zu diesem Rechner.</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Saved in %1.</source>
        <translation>Gespeichert in %1.</translation>
    </message>
    <message>
        <source>There is nothing in this file that Moorfrost knows.</source>
        <translation>In dieser Datei ist nichts, was Moorfrost kennt.</translation>
    </message>
    <message>
        <source>Take settings in</source>
        <translation>Einstellungen übernehmen</translation>
    </message>
    <message>
        <source>What is chosen takes the place of what is here. To be able to go back, save what is here first.</source>
        <translation>Was gewählt ist, tritt an die Stelle dessen, was hier ist. Um zurück zu können, speichern Sie erst, was hier ist.</translation>
    </message>
    <message>
        <source>Take in</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Taken in.</source>
        <translation>Übernommen.</translation>
    </message>
    <message>
        <source>Taken in. Not understood, and left out: %1.</source>
        <translation>Übernommen. Nicht verstanden und ausgelassen: %1.</translation>
    </message>
    <message>
        <source>JSON (*.json)</source>
        <translation>JSON (*.json)</translation>
    </message>
    <message>
        <source>JSON (*.json);;All files (*)</source>
        <translation>JSON (*.json);;Alle Dateien (*)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SettingsPage</name>
    <message>
        <source>Settings</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>Appearance</source>
        <translation>Aussehen</translation>
    </message>
    <message>
        <source>As the system</source>
        <translation>Wie das System</translation>
    </message>
    <message>
        <source>Frost (light)</source>
        <translation>Frost (hell)</translation>
    </message>
    <message>
        <source>Night moor (dark)</source>
        <translation>Nachtmoor (dunkel)</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>Standards</source>
        <translation>Standards</translation>
    </message>
    <message>
        <source>What a ready release has. The tally of a sleeve has one mark for each rule, in this order. Idents, tones and other files that are not music are not asked.</source>
        <translation>Was eine fertige Veröffentlichung hat. Die Leiste einer Hülle hat einen Strich für jede Regel, in dieser Reihenfolge. Kennungen, Töne und andere Dateien, die keine Musik sind, werden nicht gefragt.</translation>
    </message>
    <message>
        <source>Custom fields</source>
        <translation>Eigene Felder</translation>
    </message>
    <message>
        <source>Fields beside the usual ones: with a label, a kind, maybe a list to choose from, and a name in files. Then they are fields like any other.</source>
        <translation>Felder neben den üblichen: mit einer Bezeichnung, einer Art, vielleicht einer Liste zur Auswahl, und einem Namen in Dateien. Dann sind es Felder wie alle anderen.</translation>
    </message>
    <message>
        <source>Mirroring</source>
        <translation>Spiegeln</translation>
    </message>
    <message>
        <source>What the library keeps of recordings, and the field of tags that it becomes. In the library “Mirror to tags” makes drafts of it; nothing is written before you say so.</source>
        <translation>Was die Bibliothek bei Aufnahmen führt, und das Feld der Tags, das es wird. In der Bibliothek macht „In Tags spiegeln“ Entwürfe daraus; nichts wird geschrieben, bevor Sie es sagen.</translation>
    </message>
    <message>
        <source>What a release says goes into the tags of its files by “Write to the files”:</source>
        <translation>Was eine Veröffentlichung sagt, kommt durch „In die Dateien schreiben“ in die Tags ihrer Dateien:</translation>
    </message>
    <message>
        <source>References</source>
        <translation>Referenzen</translation>
    </message>
    <message>
        <source>Catalogues in which releases are looked up, in the order in which they are asked. What they tell becomes drafts, never more.</source>
        <translation>Kataloge, in denen Veröffentlichungen nachgeschlagen werden, in der Reihenfolge, in der sie gefragt werden. Was sie sagen, wird Entwurf, nie mehr.</translation>
    </message>
    <message>
        <source>Names on shelves</source>
        <translation>Namen auf Regalen</translation>
    </message>
    <message>
        <source>What the names of files and folders must suit. A value can never leave its shelf, whichever is chosen.</source>
        <translation>Wofür die Namen von Dateien und Ordnern taugen müssen. Ein Wert kann sein Regal nie verlassen, was auch gewählt ist.</translation>
    </message>
    <message>
        <source>Portable: also for sticks and other systems. : becomes -, ? and * are left out, no trailing dots</source>
        <translation>Übertragbar: auch für Sticks und andere Systeme. : wird -, ? und * entfallen, keine Punkte am Ende</translation>
    </message>
    <message>
        <source>Linux: everything but / is kept</source>
        <translation>Linux: alles außer / bleibt</translation>
    </message>
    <message>
        <source>Strict ASCII: portable, in plain letters</source>
        <translation>Streng ASCII: übertragbar, in einfachen Buchstaben</translation>
    </message>
    <message>
        <source>Searching</source>
        <translation>Suche läuft</translation>
    </message>
    <message>
        <source>Where the words that are typed are looked for. What is asked of a field is found anywhere in its value.</source>
        <translation>Wo die eingegebenen Wörter gesucht werden. Wonach bei einem Feld gefragt wird, wird überall in seinem Wert gefunden.</translation>
    </message>
    <message>
        <source>Anywhere: "lock" also finds "Hemlock"</source>
        <translation>Überall: „lock“ findet auch „Hemlock“</translation>
    </message>
    <message>
        <source>At the beginnings of words: "lock" finds "Locks", but not "Hemlock"</source>
        <translation>An Wortanfängen: „lock“ findet „Locks“, aber nicht „Hemlock“</translation>
    </message>
    <message>
        <source>Shelves</source>
        <translation>Regale</translation>
    </message>
    <message>
        <source>The root folders in which put-away files live.</source>
        <translation>Die Wurzelordner, in denen eingeordnete Dateien liegen.</translation>
    </message>
    <message>
        <source>Add a shelf…</source>
        <translation>Regal hinzufügen…</translation>
    </message>
    <message>
        <source>Writing</source>
        <translation>Schreiben</translation>
    </message>
    <message>
        <source>Files are changed in place where there is room, otherwise built anew beside the old one. Their sound never changes.</source>
        <translation>Dateien werden an Ort und Stelle geändert, wo Platz ist, sonst neben der alten neu gebaut. Ihr Klang ändert sich nie.</translation>
    </message>
    <message>
        <source>Files keep their time of change when their tags are written</source>
        <translation>Dateien behalten ihre Änderungszeit, wenn ihre Tags geschrieben werden</translation>
    </message>
    <message>
        <source>Off: other programs and backups see that the file has changed.</source>
        <translation>Aus: andere Programme und Sicherungen sehen, dass die Datei sich geändert hat.</translation>
    </message>
    <message>
        <source>Journal</source>
        <translation>Journal</translation>
    </message>
    <message>
        <source>What writing replaced is kept, so that it can be taken back. When there is more than this, the oldest goes with the next write; Review says so before.</source>
        <translation>Was durch das Schreiben ersetzt wurde, wird aufgehoben, damit es zurückgenommen werden kann. Wird es mehr als dies, geht das Älteste mit dem nächsten Schreiben; die Durchsicht sagt es vorher.</translation>
    </message>
    <message>
        <source>How much the journal keeps</source>
        <translation>Wie viel das Journal aufhebt</translation>
    </message>
    <message>
        <source>Keep up to</source>
        <translation>Aufheben bis zu</translation>
    </message>
    <message>
        <source>Settings as a file</source>
        <translation>Einstellungen als Datei</translation>
    </message>
    <message>
        <source>Plans, standards, chains of steps, custom fields, layouts and rules, to be handed on, or to be had on another machine.</source>
        <translation>Pläne, Standards, Ketten von Schritten, eigene Felder, Layouts und Regeln, um sie weiterzugeben oder auf einem anderen Rechner zu haben.</translation>
    </message>
    <message>
        <source>%1 are kept now, in the library: %2.</source>
        <translation>%1 sind jetzt aufgehoben, in der Bibliothek: %2.</translation>
    </message>
    <message numerus="yes">
        <source>With the next write the %n oldest set(s) can no longer be taken back.</source>
        <translation>
            <numerusform>Mit dem nächsten Schreiben kann der älteste Satz (%n) nicht mehr zurückgenommen werden.</numerusform>
            <numerusform>Mit dem nächsten Schreiben können die %n ältesten Sätze nicht mehr zurückgenommen werden.</numerusform>
        </translation>
    </message>
    <message>
        <source>not there: is its disk mounted?</source>
        <translation>nicht da: ist die Platte eingehängt?</translation>
    </message>
    <message>
        <source>Read again</source>
        <translation>Noch einmal lesen</translation>
    </message>
    <message>
        <source>Looks for files that are new in its folders, or were changed by others</source>
        <translation>Sucht nach Dateien, die in den Ordnern neu sind oder von anderen geändert wurden</translation>
    </message>
    <message>
        <source>Moved…</source>
        <translation>Umgezogen…</translation>
    </message>
    <message>
        <source>Its folder is at another place now: the library follows</source>
        <translation>Sein Ordner ist jetzt an einem anderen Ort: die Bibliothek folgt</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Remove…</source>
        <translation>Entfernen…</translation>
    </message>
    <message>
        <source>Where is the shelf “%1” now?</source>
        <translation>Wo ist das Regal „%1“ jetzt?</translation>
    </message>
    <message>
        <source>Rename the shelf</source>
        <translation>Regal umbenennen</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>Remove the shelf</source>
        <translation>Regal entfernen</translation>
    </message>
    <message>
        <source>The library forgets the files on "%1". The files themselves stay where they are.</source>
        <translation>Die Bibliothek vergisst die Dateien auf „%1“. Die Dateien selbst bleiben, wo sie sind.</translation>
    </message>
    <message>
        <source>None yet.</source>
        <translation>Noch keins.</translation>
    </message>
    <message>
        <source>Light and dark have the same contrast.</source>
        <translation>Hell und dunkel haben denselben Kontrast.</translation>
    </message>
    <message>
        <source>High contrast (black on white)</source>
        <translation>Starker Kontrast (schwarz auf weiß)</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Of everything in the window, from the next start on.</source>
        <translation>Von allem im Fenster, ab dem nächsten Start.</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Of the window and the manual, from the next start on.</source>
        <translation>Des Fensters und des Handbuchs, ab dem nächsten Start.</translation>
    </message>
    <message>
        <source>The library</source>
        <translation>Die Bibliothek</translation>
    </message>
    <message>
        <source>Of what is known of your files. A copy of it is made each day.</source>
        <translation>Was von Ihren Dateien bekannt ist. Jeden Tag wird eine Kopie davon gemacht.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShareModel</name>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Role</source>
        <translation>Rolle</translation>
    </message>
    <message>
        <source>IPI number</source>
        <translation>IPI-Nummer</translation>
    </message>
    <message>
        <source>Administers</source>
        <translation>Verwaltet</translation>
    </message>
    <message>
        <source>Administered by</source>
        <translation>Verwaltet von</translation>
    </message>
    <message>
        <source>Share</source>
        <translation>Anteil</translation>
    </message>
    <message>
        <source>in %1</source>
        <translation>in %1</translation>
    </message>
    <message>
        <source>from %1 on</source>
        <translation>ab %1</translation>
    </message>
    <message>
        <source>held by the writer</source>
        <translation>beim Urheber</translation>
    </message>
    <message>
        <source> in %1</source>
        <translation> in %1</translation>
    </message>
    <message>
        <source> since %1</source>
        <translation> seit %1</translation>
    </message>
    <message>
        <source>missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>for %1</source>
        <translation>für %1</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>Adds up exactly, everywhere.</source>
        <translation>Geht überall genau auf.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShareTable</name>
    <message>
        <source>a name</source>
        <translation>ein Name</translation>
    </message>
    <message>
        <source>writers, with commas between them</source>
        <translation>Urheber, mit Komma dazwischen</translation>
    </message>
    <message>
        <source>1/3, 50 %, 1/4 each</source>
        <translation>1/3, 50 %, je 1/4</translation>
    </message>
    <message>
        <source>Writers</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>Publishers</source>
        <translation>Verlage</translation>
    </message>
    <message>
        <source>Owners of the master</source>
        <translation>Inhaber des Masters</translation>
    </message>
    <message>
        <source>Take out of the shares</source>
        <translation>Aus den Anteilen nehmen</translation>
    </message>
    <message>
        <source>Nothing is left to be shared: the others have all of it.</source>
        <translation>Es ist nichts mehr zu verteilen: die anderen haben alles.</translation>
    </message>
    <message>
        <source>Shared equally</source>
        <translation>Gleich geteilt</translation>
    </message>
    <message>
        <source>Which share?</source>
        <translation>Welcher Anteil?</translation>
    </message>
    <message>
        <source>%1 was typed. Is %2 meant, which is %3?</source>
        <translation>%1 wurde eingegeben. Ist %2 gemeint, also %3?</translation>
    </message>
    <message>
        <source>%1 exactly</source>
        <translation>genau %1</translation>
    </message>
    <message>
        <source>Share of %1</source>
        <translation>Anteil von %1</translation>
    </message>
    <message>
        <source>“%1” is no writer of this song, and nobody who is known.</source>
        <translation>„%1“ ist kein Urheber dieses Songs und niemand, der bekannt ist.</translation>
    </message>
    <message>
        <source>Where and since when</source>
        <translation>Wo und seit wann</translation>
    </message>
    <message>
        <source>Show %1</source>
        <translation>%1 zeigen</translation>
    </message>
    <message>
        <source>Where and since when…</source>
        <translation>Wo und seit wann…</translation>
    </message>
    <message>
        <source>Change</source>
        <translation>Ändern</translation>
    </message>
    <message>
        <source>Add…	Ins</source>
        <translation>Hinzufügen…	Einfg</translation>
    </message>
    <message>
        <source>Share equally</source>
        <translation>Gleich teilen</translation>
    </message>
    <message>
        <source>How it came about…</source>
        <translation>Wie es dazu kam…</translation>
    </message>
    <message>
        <source>Take out	Del</source>
        <translation>Herausnehmen	Entf</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShareTerms</name>
    <message>
        <source>Share of %1: where, and since when</source>
        <translation>Anteil von %1: wo, und seit wann</translation>
    </message>
    <message>
        <source>everywhere; two letters for a country, such as NO</source>
        <translation>überall; zwei Buchstaben für ein Land, etwa NO</translation>
    </message>
    <message>
        <source>ever since; 2024, 2024-07 or 2024-07-01</source>
        <translation>schon immer; 2024, 2024-07 oder 2024-07-01</translation>
    </message>
    <message>
        <source>Holds in</source>
        <translation>Gilt in</translation>
    </message>
    <message>
        <source>Since</source>
        <translation>Seit</translation>
    </message>
    <message>
        <source>What is said for a country goes there before what is said for the world. A share that begins later takes the place of the one before on that day; both stay on record.</source>
        <translation>Was für ein Land gesagt ist, geht dort vor dem, was für die Welt gesagt ist. Ein Anteil, der später beginnt, tritt an diesem Tag an die Stelle des vorigen; beide bleiben verzeichnet.</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Keep beside the one before</source>
        <translation>Neben dem vorigen behalten</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetColumns</name>
    <message>
        <source>Columns of the sheet</source>
        <translation>Spalten der Tabelle</translation>
    </message>
    <message>
        <source>The usual columns</source>
        <translation>Die üblichen Spalten</translation>
    </message>
    <message>
        <source>Choose columns…</source>
        <translation>Spalten wählen…</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetController</name>
    <message>
        <source>Laying out the sheet</source>
        <translation>Das Blatt wird gesetzt</translation>
    </message>
    <message>
        <source>A sheet is saved as .pdf, .html, .txt or .json.</source>
        <translation>Ein Blatt wird als .pdf, .html, .txt oder .json gespeichert.</translation>
    </message>
    <message>
        <source>There is no song on the sheet.</source>
        <translation>Auf dem Blatt ist kein Song.</translation>
    </message>
    <message>
        <source>Saving the sheet</source>
        <translation>Das Blatt wird gespeichert</translation>
    </message>
    <message>
        <source>The sheet is saved as %1.</source>
        <translation>Das Blatt ist als %1 gespeichert.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetGaps</name>
    <message>
        <source>Complete</source>
        <translation>Vollständig</translation>
    </message>
    <message>
        <source>Not yet complete</source>
        <translation>Noch nicht vollständig</translation>
    </message>
    <message>
        <source>Nothing is missing of the sections that are on.</source>
        <translation>In den eingeschalteten Abschnitten fehlt nichts.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetModel</name>
    <message>
        <source>%1 kHz</source>
        <translation>%1 kHz</translation>
    </message>
    <message>
        <source>%1 kbit/s</source>
        <translation>%1 kbit/s</translation>
    </message>
    <message>
        <source>Draft: %1</source>
        <translation>Entwurf: %1</translation>
    </message>
    <message>
        <source>On disk: blank</source>
        <translation>Auf der Platte: leer</translation>
    </message>
    <message>
        <source>On disk: %1</source>
        <translation>Auf der Platte: %1</translation>
    </message>
    <message>
        <source>Most files of the sleeve say: %1</source>
        <translation>Die meisten Dateien der Hülle sagen: %1</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>Edit %1</source>
        <translation>%1 bearbeiten</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetPreview</name>
    <message>
        <source>The sheet as it will be</source>
        <translation>Das Blatt, wie es wird</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetSongs</name>
    <message>
        <source>Add tracks: title, artist …</source>
        <translation>Stücke hinzufügen: Titel, Interpret …</translation>
    </message>
    <message>
        <source>Tracks that go out</source>
        <translation>Stücke, die hinausgehen</translation>
    </message>
    <message>
        <source>None yet. Search above, or choose tracks in the Library or an edition in Releases and press Ctrl+Alt+S.</source>
        <translation>Noch keine. Suchen Sie oben, oder wählen Sie Stücke in der Bibliothek oder eine Ausgabe unter Veröffentlichungen, und drücken Sie Strg+Alt+S.</translation>
    </message>
    <message>
        <source>Tracks of the release</source>
        <translation>Stücke der Veröffentlichung</translation>
    </message>
    <message>
        <source>not in the library any more</source>
        <translation>nicht mehr in der Bibliothek</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>und %n weitere</numerusform>
            <numerusform>und %n weitere</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetView</name>
    <message>
        <source>Nothing was copied: there are gaps between the chosen cells. Choose one block.</source>
        <translation>Nichts wurde kopiert: zwischen den gewählten Zellen sind Lücken. Wählen Sie einen Block.</translation>
    </message>
    <message>
        <source>Nothing was pasted: there are gaps between the chosen cells. Choose one block.</source>
        <translation>Nichts wurde eingefügt: zwischen den gewählten Zellen sind Lücken. Wählen Sie einen Block.</translation>
    </message>
    <message>
        <source>Paste</source>
        <translation>Einfügen</translation>
    </message>
    <message>
        <source>pasted</source>
        <translation>eingefügt</translation>
    </message>
    <message numerus="yes">
        <source>%n pasted value(s) had no cell to go into</source>
        <translation>
            <numerusform>%n eingefügter Wert hatte keine Zelle</numerusform>
            <numerusform>%n eingefügte Werte hatten keine Zelle</numerusform>
        </translation>
    </message>
    <message>
        <source>: beyond the edge, or where nothing can be typed.</source>
        <translation>: über den Rand hinaus, oder wo nichts eingegeben werden kann.</translation>
    </message>
    <message>
        <source>Fill down</source>
        <translation>Nach unten füllen</translation>
    </message>
    <message>
        <source>A series goes on from a number: %1 of the first chosen file is none.</source>
        <translation>Eine Reihe geht von einer Zahl weiter: %1 der ersten gewählten Datei ist keine.</translation>
    </message>
    <message>
        <source>series</source>
        <translation>Reihe</translation>
    </message>
    <message>
        <source>Fill a series</source>
        <translation>Reihe füllen</translation>
    </message>
    <message>
        <source>Blank</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>Drop drafts</source>
        <translation>Entwürfe verwerfen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShelfRulesDialog</name>
    <message>
        <source>Linux: all but “/”</source>
        <translation>Linux: alles außer „/“</translation>
    </message>
    <message>
        <source>Portable: also for other systems and sticks</source>
        <translation>Übertragbar: auch für andere Systeme und Sticks</translation>
    </message>
    <message>
        <source>Strict ASCII: portable, in plain letters</source>
        <translation>Streng ASCII: übertragbar, in einfachen Buchstaben</translation>
    </message>
    <message>
        <source>Rules of the shelf “%1”</source>
        <translation>Regeln des Regals „%1“</translation>
    </message>
    <message>
        <source>Names</source>
        <translation>Namen</translation>
    </message>
    <message>
        <source>As found – %1</source>
        <translation>Wie gefunden – %1</translation>
    </message>
    <message>
        <source>as they are called</source>
        <translation>wie sie heißen</translation>
    </message>
    <message>
        <source>Names of what goes along</source>
        <translation>Namen dessen, was mitgeht</translation>
    </message>
    <message>
        <source>into the trash</source>
        <translation>in den Papierkorb</translation>
    </message>
    <message>
        <source>into this folder:</source>
        <translation>in diesen Ordner:</translation>
    </message>
    <message>
        <source>Folder for what is replaced</source>
        <translation>Ordner für Ersetztes</translation>
    </message>
    <message>
        <source>Choose…</source>
        <translation>Wählen…</translation>
    </message>
    <message>
        <source>Names on it</source>
        <translation>Namen darauf</translation>
    </message>
    <message>
        <source>Its file system is not known.</source>
        <translation>Sein Dateisystem ist nicht bekannt.</translation>
    </message>
    <message>
        <source>Its disk is %1, which can hold all names.</source>
        <translation>Seine Platte ist %1 und fasst alle Namen.</translation>
    </message>
    <message>
        <source>Its disk is %1, which holds portable names only.</source>
        <translation>Seine Platte ist %1 und fasst nur übertragbare Namen.</translation>
    </message>
    <message>
        <source>What goes along is called</source>
        <translation>Was mitgeht, heißt</translation>
    </message>
    <message>
        <source>A plan such as {album} - {name}, where {name} is what the file is called now.</source>
        <translation>Ein Plan wie {album} - {name}, wobei {name} ist, wie die Datei jetzt heißt.</translation>
    </message>
    <message>
        <source>What is replaced by a better file goes</source>
        <translation>Was durch eine bessere Datei ersetzt wird, geht</translation>
    </message>
    <message>
        <source>Either way it stands in the journal, and comes back when the step is taken back.</source>
        <translation>So oder so steht es im Journal und kommt zurück, wenn der Schritt zurückgenommen wird.</translation>
    </message>
    <message>
        <source>Keep the rules</source>
        <translation>Regeln behalten</translation>
    </message>
    <message>
        <source>Names only: it goes into the folder of the music.</source>
        <translation>Nur Namen: es kommt in den Ordner der Musik.</translation>
    </message>
    <message>
        <source>Without {name} all of them would be called the same.</source>
        <translation>Ohne {name} hießen alle gleich.</translation>
    </message>
    <message>
        <source>Choose the folder for what is replaced.</source>
        <translation>Wählen Sie den Ordner für Ersetztes.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShelfWatch</name>
    <message>
        <source>%1 The shelves are looked through every ten minutes instead.</source>
        <translation>%1 Die Regale werden stattdessen alle zehn Minuten durchgesehen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShelvesController</name>
    <message>
        <source>Looking for absent files</source>
        <translation>Nicht vorhandene Dateien werden gesucht</translation>
    </message>
    <message numerus="yes">
        <source>The library has followed %n file(s).</source>
        <translation>
            <numerusform>Die Bibliothek ist %n Datei gefolgt.</numerusform>
            <numerusform>Die Bibliothek ist %n Dateien gefolgt.</numerusform>
        </translation>
    </message>
    <message>
        <source>Looking for the files of "%1"</source>
        <translation>Die Dateien von „%1“ werden gesucht</translation>
    </message>
    <message>
        <source>Reading the shelf "%1"</source>
        <translation>Das Regal „%1“ wird gelesen</translation>
    </message>
    <message numerus="yes">
        <source>Reading %n shelf(s)</source>
        <translation>
            <numerusform>%n Regal wird gelesen</numerusform>
            <numerusform>%n Regale werden gelesen</numerusform>
        </translation>
    </message>
    <message>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <source>The shelves were read.</source>
        <translation>Die Regale wurden gelesen.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were new to the library or changed,</source>
        <translation>
            <numerusform>%n Datei war der Bibliothek neu oder geändert,</numerusform>
            <numerusform>%n Dateien waren der Bibliothek neu oder geändert,</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n as they were.</source>
        <translation>
            <numerusform>%n wie zuvor.</numerusform>
            <numerusform>%n wie zuvor.</numerusform>
        </translation>
    </message>
    <message>
        <source>Looking what others changed</source>
        <translation>Was andere geändert haben, wird angesehen</translation>
    </message>
    <message>
        <source>Looking for files that are missing</source>
        <translation>Fehlende Dateien werden gesucht</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) on the shelves came or were changed by others.</source>
        <translation>
            <numerusform>%n Datei auf den Regalen kam oder wurde von anderen geändert.</numerusform>
            <numerusform>%n Dateien auf den Regalen kamen oder wurden von anderen geändert.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>The library has followed %n file(s) that others moved.</source>
        <translation>
            <numerusform>Die Bibliothek ist %n Datei gefolgt, die andere verschoben haben.</numerusform>
            <numerusform>Die Bibliothek ist %n Dateien gefolgt, die andere verschoben haben.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be found and got the mark "absent". What the library keeps stays.</source>
        <translation>
            <numerusform>%n Datei war nicht zu finden und ist als „nicht da“ vermerkt. Was die Bibliothek führt, bleibt.</numerusform>
            <numerusform>%n Dateien waren nicht zu finden und sind als „nicht da“ vermerkt. Was die Bibliothek führt, bleibt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) that were absent are there again.</source>
        <translation>
            <numerusform>%n Datei, die nicht da war, ist wieder da.</numerusform>
            <numerusform>%n Dateien, die nicht da waren, sind wieder da.</numerusform>
        </translation>
    </message>
    <message>
        <source>The shelf “%1” is not there: is its disk mounted? Nothing of it was marked as absent.</source>
        <translation>Das Regal „%1“ ist nicht da: ist seine Platte eingehängt? Nichts davon wurde als nicht da vermerkt.</translation>
    </message>
    <message>
        <source>Looking for the shelves</source>
        <translation>Die Regale werden gesucht</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShelvesHereDialog</name>
    <message>
        <source>Moved shelf</source>
        <translation>Umgezogenes Regal</translation>
    </message>
    <message>
        <source>The library takes over the new place. No file is touched.</source>
        <translation>Die Bibliothek übernimmt den neuen Platz. Keine Datei wird angerührt.</translation>
    </message>
    <message>
        <source>This does not seem to be the shelf. Nothing was changed.</source>
        <translation>Das scheint das Regal nicht zu sein. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>Follow</source>
        <translation>Nachverfolgen</translation>
    </message>
    <message>
        <source>Where the shelves are on this machine</source>
        <translation>Wo die Regale auf diesem Rechner sind</translation>
    </message>
    <message>
        <source>The library knows its shelves by the folders of the other machine. Say where they are here; what is not here yet stays absent, and can be said later in Settings.</source>
        <translation>Die Bibliothek kennt ihre Regale nach den Ordnern des anderen Rechners. Sagen Sie, wo sie hier sind; was noch nicht hier ist, gilt als nicht da und kann später in den Einstellungen gesagt werden.</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Where is it…</source>
        <translation>Wo ist es…</translation>
    </message>
    <message>
        <source>Where is the shelf “%1” now?</source>
        <translation>Wo ist das Regal „%1“ jetzt?</translation>
    </message>
    <message>
        <source>is here</source>
        <translation>ist da</translation>
    </message>
    <message>
        <source>not here</source>
        <translation>nicht da</translation>
    </message>
    <message>
        <source>All shelves are here.</source>
        <translation>Alle Regale sind da.</translation>
    </message>
    <message>
        <source>Not here: %1 of %2.</source>
        <translation>Nicht da: %1 von %2.</translation>
    </message>
    <message>
        <source>%1: %2 of %3 files stand at their place in %4.</source>
        <translation>%1: %2 von %3 Dateien stehen an ihrem Platz in %4.</translation>
    </message>
    <message>
        <source>The library has no shelves yet.</source>
        <translation>Die Bibliothek hat noch keine Regale.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SideLines</name>
    <message>
        <source>Agreements</source>
        <translation>Vereinbarungen</translation>
    </message>
    <message>
        <source>Go there</source>
        <translation>Dorthin</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveChooser</name>
    <message numerus="yes">
        <source>Put %n file(s) into a sleeve</source>
        <translation>
            <numerusform>%n Datei in eine Hülle legen</numerusform>
            <numerusform>%n Dateien in eine Hülle legen</numerusform>
        </translation>
    </message>
    <message>
        <source>A sleeve, or the name of a new one</source>
        <translation>Eine Hülle, oder der Name einer neuen</translation>
    </message>
    <message>
        <source>Sleeves</source>
        <translation>Hüllen</translation>
    </message>
    <message>
        <source>Put there</source>
        <translation>Dorthin legen</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>Strays</source>
        <translation>Einzelne</translation>
    </message>
    <message>
        <source>A new sleeve: %1</source>
        <translation>Eine neue Hülle: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveGrid</name>
    <message>
        <source>Not told</source>
        <translation>Nicht gesagt</translation>
    </message>
    <message>
        <source>%1s</source>
        <translation>%1er</translation>
    </message>
    <message>
        <source>Several artists</source>
        <translation>Mehrere Interpreten</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation>
            <numerusform>%n Stück</numerusform>
            <numerusform>%n Stücke</numerusform>
        </translation>
    </message>
    <message>
        <source>Sleeves</source>
        <translation>Hüllen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveList</name>
    <message>
        <source>by hand</source>
        <translation>von Hand</translation>
    </message>
    <message>
        <source>Some of it was put here by hand.</source>
        <translation>Einiges davon wurde von Hand hierher gelegt.</translation>
    </message>
    <message>
        <source>Sleeves</source>
        <translation>Hüllen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveTools</name>
    <message>
        <source>A new sleeve</source>
        <translation>Eine neue Hülle</translation>
    </message>
    <message numerus="yes">
        <source>Name of the sleeve of %n file(s):</source>
        <translation>
            <numerusform>Name der Hülle aus %n Datei:</numerusform>
            <numerusform>Name der Hülle aus %n Dateien:</numerusform>
        </translation>
    </message>
    <message>
        <source>Rename the sleeve</source>
        <translation>Hülle umbenennen</translation>
    </message>
    <message>
        <source>Name on the bench (the files are not changed; leave it empty for their album):</source>
        <translation>Name auf der Werkbank (die Dateien werden nicht geändert; leer heißt: ihr Album):</translation>
    </message>
    <message>
        <source>Folder</source>
        <translation>Ordner</translation>
    </message>
    <message>
        <source>Disc</source>
        <translation>Disc</translation>
    </message>
    <message>
        <source>Album</source>
        <translation>Album</translation>
    </message>
    <message>
        <source>Artist</source>
        <translation>Interpret</translation>
    </message>
    <message>
        <source>Date</source>
        <translation>Datum</translation>
    </message>
    <message>
        <source>Format</source>
        <translation>Format</translation>
    </message>
    <message numerus="yes">
        <source>%1: into %n sleeve(s)</source>
        <translation>
            <numerusform>%1: in %n Hülle</numerusform>
            <numerusform>%1: in %n Hüllen</numerusform>
        </translation>
    </message>
    <message>
        <source>%1: all the same</source>
        <translation>%1: alle gleich</translation>
    </message>
    <message>
        <source>Split by</source>
        <translation>Teilen nach</translation>
    </message>
    <message>
        <source>Put into a sleeve…</source>
        <translation>In eine Hülle legen…</translation>
    </message>
    <message>
        <source>Make a new sleeve…</source>
        <translation>Neue Hülle machen…</translation>
    </message>
    <message>
        <source>To the strays</source>
        <translation>Zu den Einzelnen</translation>
    </message>
    <message>
        <source>Let Moorfrost sort them again</source>
        <translation>Moorfrost sie neu sortieren lassen</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Merge</source>
        <translation>Vereinen</translation>
    </message>
    <message>
        <source>Undo the last change of sleeves</source>
        <translation>Die letzte Änderung an Hüllen rückgängig</translation>
    </message>
    <message>
        <source>Remove from the batch (the files stay as they are)</source>
        <translation>Aus dem Stapel nehmen (die Dateien bleiben, wie sie sind)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveViews</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Strays</source>
        <translation>Einzelne</translation>
    </message>
    <message numerus="yes">
        <source>%n artist(s)</source>
        <translation>
            <numerusform>%n Interpret</numerusform>
            <numerusform>%n Interpreten</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SortHeader</name>
    <message>
        <source>Click to sort. With Shift, sort within what it is sorted by already.</source>
        <translation>Klicken zum Sortieren. Mit Umschalt innerhalb dessen, wonach schon sortiert ist.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundGroupList</name>
    <message>
        <source>same recording</source>
        <translation>dieselbe Aufnahme</translation>
    </message>
    <message>
        <source>another version?</source>
        <translation>eine andere Fassung?</translation>
    </message>
    <message>
        <source>codes disagree</source>
        <translation>Codes widersprechen sich</translation>
    </message>
    <message>
        <source>one code, two sounds</source>
        <translation>ein Code, zwei Klänge</translation>
    </message>
    <message>
        <source>Groups of one sound</source>
        <translation>Gruppen eines Klangs</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundGroupsController</name>
    <message>
        <source>Looking for files that sound the same</source>
        <translation>Dateien, die gleich klingen, werden gesucht</translation>
    </message>
    <message>
        <source>Tell two recordings apart</source>
        <translation>Zwei Aufnahmen auseinanderhalten</translation>
    </message>
    <message>
        <source>Another version: %1</source>
        <translation>Eine andere Fassung: %1</translation>
    </message>
    <message numerus="yes">
        <source>Keep %1, %n other(s) to the trash</source>
        <translation>
            <numerusform>%1 behalten, %n andere in den Papierkorb</numerusform>
            <numerusform>%1 behalten, %n andere in den Papierkorb</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundPanel</name>
    <message>
        <source>Play from the mark</source>
        <translation>Ab der Marke spielen</translation>
    </message>
    <message>
        <source>The place</source>
        <translation>Die Stelle</translation>
    </message>
    <message>
        <source>Shows the place that the finding is about.</source>
        <translation>Zeigt die Stelle, um die es in dem Befund geht.</translation>
    </message>
    <message>
        <source>All of it</source>
        <translation>Alles</translation>
    </message>
    <message>
        <source>Save picture…</source>
        <translation>Bild speichern…</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Save the picture</source>
        <translation>Bild speichern</translation>
    </message>
    <message>
        <source>PNG (*.png);;All files (*)</source>
        <translation>PNG (*.png);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>Saving a picture of the sound</source>
        <translation>Ein Bild des Klangs wird gespeichert</translation>
    </message>
    <message>
        <source>Saved: %1</source>
        <translation>Gespeichert: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundPicture</name>
    <message>
        <source>Drawing the sound of %1</source>
        <translation>Der Klang von %1 wird gezeichnet</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundPrints</name>
    <message>
        <source>Listening to the library</source>
        <translation>Die Bibliothek wird angehört</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundView</name>
    <message>
        <source>%L1 kHz</source>
        <translation>%L1 kHz</translation>
    </message>
    <message>
        <source>%L1 Hz</source>
        <translation>%L1 Hz</translation>
    </message>
    <message>
        <source>Spectrogram</source>
        <translation>Spektrogramm</translation>
    </message>
    <message>
        <source>Plus and minus zoom, the arrows move, Home shows all, Enter plays from the mark.</source>
        <translation>Plus und Minus zoomen, die Pfeile bewegen, Pos1 zeigt alles, Eingabe spielt ab der Marke.</translation>
    </message>
    <message>
        <source>The wheel zooms; with Ctrl it zooms the tones. Drag to move, click to set the mark, double-click to play from there.</source>
        <translation>Das Rad zoomt; mit Strg zoomt es die Töne. Ziehen bewegt, Klicken setzt die Marke, Doppelklicken spielt von dort.</translation>
    </message>
    <message>
        <source>drawing the sound …</source>
        <translation>der Klang wird gezeichnet …</translation>
    </message>
    <message>
        <source>kHz</source>
        <translation>kHz</translation>
    </message>
    <message>
        <source>Hz</source>
        <translation>Hz</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation>%1 dB</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SourcePicker</name>
    <message>
        <source>An edition of a reference</source>
        <translation>Eine Ausgabe einer Referenz</translation>
    </message>
    <message>
        <source>A list of tracks, pasted or in a file</source>
        <translation>Eine Liste von Stücken, eingefügt oder in einer Datei</translation>
    </message>
    <message>
        <source>A sleeve of the bench</source>
        <translation>Eine Hülle der Werkbank</translation>
    </message>
    <message>
        <source>Another release of the library</source>
        <translation>Eine andere Veröffentlichung der Bibliothek</translation>
    </message>
    <message>
        <source>Fill from</source>
        <translation>Füllen aus</translation>
    </message>
    <message>
        <source>Title, artist, number, barcode …</source>
        <translation>Titel, Interpret, Nummer, Strichcode …</translation>
    </message>
    <message>
        <source>Words to look up</source>
        <translation>Wörter zum Nachschlagen</translation>
    </message>
    <message>
        <source>Look up</source>
        <translation>Nachschlagen</translation>
    </message>
    <message>
        <source>Editions that were found</source>
        <translation>Ausgaben, die gefunden wurden</translation>
    </message>
    <message>
        <source>Enter looks it up.</source>
        <translation>Eingabe schlägt es nach.</translation>
    </message>
    <message>
        <source>Asking …</source>
        <translation>Wird gefragt …</translation>
    </message>
    <message>
        <source>Nothing was found.</source>
        <translation>Nichts wurde gefunden.</translation>
    </message>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation>
            <numerusform>%n Ausgabe</numerusform>
            <numerusform>%n Ausgaben</numerusform>
        </translation>
    </message>
    <message>
        <source>List of tracks</source>
        <translation>Liste von Stücken</translation>
    </message>
    <message>
        <source>Paste a list of tracks: with numbers or places on sides, lengths, artists, in any of the usual ways. Half a web page will do.

A1  Night Post  3:41
A2  Cold Slip  2:55
B1  Ferryman’s Reel  4:08</source>
        <translation>Fügen Sie eine Liste von Stücken ein: mit Nummern oder Stellen auf Seiten, Längen, Interpreten, wie auch immer üblich. Eine halbe Webseite genügt.

A1  Night Post  3:41
A2  Cold Slip  2:55
B1  Ferryman’s Reel  4:08</translation>
    </message>
    <message>
        <source>Open a file…</source>
        <translation>Datei öffnen…</translation>
    </message>
    <message>
        <source>Texts and sheets (*.txt *.csv *.tsv *.htm *.html);;All files (*)</source>
        <translation>Texte und Tabellen (*.txt *.csv *.tsv *.htm *.html);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>%1 cannot be read: %2</source>
        <translation>%1 kann nicht gelesen werden: %2</translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) read</source>
        <translation>
            <numerusform>%n Stück gelesen</numerusform>
            <numerusform>%n Stücke gelesen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n line(s) left out</source>
        <translation>
            <numerusform>%n Zeile ausgelassen</numerusform>
            <numerusform>%n Zeilen ausgelassen</numerusform>
        </translation>
    </message>
    <message>
        <source>No track is seen in it.</source>
        <translation>Darin ist kein Stück zu erkennen.</translation>
    </message>
    <message>
        <source>a list that was pasted</source>
        <translation>eine eingefügte Liste</translation>
    </message>
    <message>
        <source>the file %1</source>
        <translation>die Datei %1</translation>
    </message>
    <message>
        <source>Sleeves of the bench</source>
        <translation>Hüllen der Werkbank</translation>
    </message>
    <message>
        <source>Nothing lies on the bench.</source>
        <translation>Auf der Werkbank liegt nichts.</translation>
    </message>
    <message>
        <source>the sleeve %1 of the bench</source>
        <translation>die Hülle %1 der Werkbank</translation>
    </message>
    <message>
        <source>Search the releases</source>
        <translation>Veröffentlichungen durchsuchen</translation>
    </message>
    <message>
        <source>another edition of the library</source>
        <translation>eine andere Ausgabe der Bibliothek</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SpellingHint</name>
    <message>
        <source>Leave it</source>
        <translation>So lassen</translation>
    </message>
    <message numerus="yes">
        <source>%1: “%2” is nearly “%3”, which is used %n time(s).</source>
        <translation>
            <numerusform>%1: „%2“ ist fast „%3“, das %n-mal benutzt wird.</numerusform>
            <numerusform>%1: „%2“ ist fast „%3“, das %n-mal benutzt wird.</numerusform>
        </translation>
    </message>
    <message>
        <source>Use “%1”</source>
        <translation>„%1“ nehmen</translation>
    </message>
    <message>
        <source>Ctrl+U</source>
        <translation>Strg+U</translation>
    </message>
    <message>
        <source>usual spelling</source>
        <translation>übliche Schreibweise</translation>
    </message>
    <message>
        <source>Usual spelling of %1</source>
        <translation>Übliche Schreibweise von %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StandardEditor</name>
    <message>
        <source>Standard</source>
        <translation>Standard</translation>
    </message>
    <message>
        <source>New ▾</source>
        <translation>Neu ▾</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Remove…</source>
        <translation>Entfernen…</translation>
    </message>
    <message>
        <source>the default</source>
        <translation>die Vorgabe</translation>
    </message>
    <message>
        <source>The library is held to it, and every batch for which no other was chosen</source>
        <translation>Daran wird die Bibliothek gemessen, und jeder Stapel, für den kein anderer gewählt wurde</translation>
    </message>
    <message>
        <source>Add a rule ▾</source>
        <translation>Regel hinzufügen ▾</translation>
    </message>
    <message>
        <source>Rule</source>
        <translation>Regel</translation>
    </message>
    <message>
        <source>Met on the bench</source>
        <translation>Auf der Werkbank erfüllt</translation>
    </message>
    <message>
        <source>What it asks</source>
        <translation>Wonach sie fragt</translation>
    </message>
    <message>
        <source>An empty one…</source>
        <translation>Ein leerer…</translation>
    </message>
    <message>
        <source>A copy of "%1"…</source>
        <translation>Eine Kopie von „%1“…</translation>
    </message>
    <message>
        <source>%1, copy</source>
        <translation>%1, Kopie</translation>
    </message>
    <message>
        <source>"%1" as it comes with Moorfrost…</source>
        <translation>„%1“, wie er mit Moorfrost kommt…</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>There is a standard "%1" already. Another name:</source>
        <translation>Es gibt schon einen Standard „%1“. Ein anderer Name:</translation>
    </message>
    <message>
        <source>New standard</source>
        <translation>Neuer Standard</translation>
    </message>
    <message>
        <source>Rename the standard</source>
        <translation>Standard umbenennen</translation>
    </message>
    <message>
        <source>Remove the standard</source>
        <translation>Standard entfernen</translation>
    </message>
    <message>
        <source>"%1" and its rules are removed. Batches that are held to it are held to the default.</source>
        <translation>„%1“ und seine Regeln werden entfernt. Stapel, die daran gemessen werden, werden an der Vorgabe gemessen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Standards</name>
    <message>
        <source>The standards of the library could not be read, those that come with Moorfrost are used. %1</source>
        <translation>Die Standards der Bibliothek konnten nicht gelesen werden, die mitgelieferten werden benutzt. %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StepForm</name>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Remove this step</source>
        <translation>Diesen Schritt entfernen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StepsDialog</name>
    <message>
        <source>Change values</source>
        <translation>Werte ändern</translation>
    </message>
    <message>
        <source>Steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>Chains ▾</source>
        <translation>Ketten ▾</translation>
    </message>
    <message>
        <source>Add a step ▾</source>
        <translation>Schritt hinzufügen ▾</translation>
    </message>
    <message>
        <source>What would change</source>
        <translation>Was sich ändern würde</translation>
    </message>
    <message>
        <source>Chain: %1</source>
        <translation>Kette: %1</translation>
    </message>
    <message>
        <source>Trying the steps</source>
        <translation>Die Schritte werden ausprobiert</translation>
    </message>
    <message numerus="yes">
        <source>Nothing would change in %n file(s)</source>
        <translation>
            <numerusform>In %n Datei würde sich nichts ändern</numerusform>
            <numerusform>In %n Dateien würde sich nichts ändern</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation>
            <numerusform>%n Wert</numerusform>
            <numerusform>%n Werte</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>in %n file(s) will be drafts</source>
        <translation>
            <numerusform>in %n Datei werden es Entwürfe</numerusform>
            <numerusform>in %n Dateien werden es Entwürfe</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cannot be</source>
        <translation>
            <numerusform>%n geht nicht</numerusform>
            <numerusform>%n gehen nicht</numerusform>
        </translation>
    </message>
    <message>
        <source>Keep these steps as a chain…</source>
        <translation>Diese Schritte als Kette behalten…</translation>
    </message>
    <message>
        <source>Forget "%1"</source>
        <translation>„%1“ vergessen</translation>
    </message>
    <message>
        <source>Open a chain file…</source>
        <translation>Kettendatei öffnen…</translation>
    </message>
    <message>
        <source>Save as a chain file…</source>
        <translation>Als Kettendatei speichern…</translation>
    </message>
    <message>
        <source>Keep as a chain</source>
        <translation>Als Kette behalten</translation>
    </message>
    <message>
        <source>Name:</source>
        <translation>Name:</translation>
    </message>
    <message>
        <source>Open a chain file</source>
        <translation>Kettendatei öffnen</translation>
    </message>
    <message>
        <source>Chains (*.json);;All files (*)</source>
        <translation>Ketten (*.json);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>%1 was not opened. %2</source>
        <translation>%1 wurde nicht geöffnet. %2</translation>
    </message>
    <message>
        <source>Save as a chain file</source>
        <translation>Als Kettendatei speichern</translation>
    </message>
    <message>
        <source>Chains (*.json)</source>
        <translation>Ketten (*.json)</translation>
    </message>
    <message>
        <source>%1 could not be written: %2</source>
        <translation>%1 konnte nicht geschrieben werden: %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StrayIdentifier</name>
    <message>
        <source>Looking up the strays</source>
        <translation>Die Einzelnen werden nachgeschlagen</translation>
    </message>
    <message numerus="yes">
        <source>Take %n stray(s)</source>
        <translation>
            <numerusform>%n Einzelne übernehmen</numerusform>
            <numerusform>%n Einzelne übernehmen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StrayList</name>
    <message>
        <source>%1 on %2</source>
        <translation>%1 auf %2</translation>
    </message>
    <message>
        <source> (your library)</source>
        <translation> (Ihre Bibliothek)</translation>
    </message>
    <message>
        <source>Stray</source>
        <translation>Einzelne</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Is probably</source>
        <translation>Ist wohl</translation>
    </message>
    <message>
        <source>Alike</source>
        <translation>Ähnlich</translation>
    </message>
    <message>
        <source>Goes to</source>
        <translation>Geht zu</translation>
    </message>
    <message>
        <source>Strays and what they may be</source>
        <translation>Einzelne und was sie sein können</translation>
    </message>
    <message>
        <source>Look up the strays</source>
        <translation>Die Einzelnen nachschlagen</translation>
    </message>
    <message>
        <source>nothing like it was found</source>
        <translation>nichts Ähnliches gefunden</translation>
    </message>
    <message>
        <source>Name: %1</source>
        <translation>Name: %1</translation>
    </message>
    <message>
        <source>Artist: %1</source>
        <translation>Interpret: %1</translation>
    </message>
    <message>
        <source>Sound: %1</source>
        <translation>Klang: %1</translation>
    </message>
    <message>
        <source>Length: %1 s apart</source>
        <translation>Länge: %1 s auseinander</translation>
    </message>
    <message>
        <source>a new sleeve</source>
        <translation>eine neue Hülle</translation>
    </message>
    <message>
        <source>What %1 is</source>
        <translation>Was %1 ist</translation>
    </message>
    <message numerus="yes">
        <source>Take %n as drafts</source>
        <translation>
            <numerusform>%n als Entwurf übernehmen</numerusform>
            <numerusform>%n als Entwürfe übernehmen</numerusform>
        </translation>
    </message>
    <message>
        <source>They are being looked up …</source>
        <translation>Sie werden nachgeschlagen …</translation>
    </message>
    <message>
        <source>There are no strays.</source>
        <translation>Es gibt keine Einzelnen.</translation>
    </message>
    <message numerus="yes">
        <source>%n stray(s). Those that are taken go to the sleeve of their release.</source>
        <translation>
            <numerusform>%n Einzelne. Was übernommen wird, kommt in die Hülle seiner Veröffentlichung.</numerusform>
            <numerusform>%n Einzelne. Was übernommen wird, kommt in die Hülle seiner Veröffentlichung.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TakeFixesDialog</name>
    <message>
        <source>Fixes to take</source>
        <translation>Behebungen zum Übernehmen</translation>
    </message>
    <message>
        <source>About</source>
        <translation>Worum es geht</translation>
    </message>
    <message>
        <source>What is wrong</source>
        <translation>Was nicht stimmt</translation>
    </message>
    <message>
        <source>The fix</source>
        <translation>Die Behebung</translation>
    </message>
    <message>
        <source>Take as drafts</source>
        <translation>Als Entwürfe übernehmen</translation>
    </message>
    <message numerus="yes">
        <source>As drafts: %n fix(es). Nothing is written yet.</source>
        <translation>
            <numerusform>Als Entwürfe: %n Behebung. Noch ist nichts geschrieben.</numerusform>
            <numerusform>Als Entwürfe: %n Behebungen. Noch ist nichts geschrieben.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TakeRulesDialog</name>
    <message>
        <source>What is taken from references</source>
        <translation>Was aus Referenzen übernommen wird</translation>
    </message>
    <message>
        <source>Field</source>
        <translation>Feld</translation>
    </message>
    <message>
        <source>Is taken</source>
        <translation>Wird übernommen</translation>
    </message>
    <message>
        <source>Fields and when they are taken</source>
        <translation>Felder, und wann sie übernommen werden</translation>
    </message>
    <message>
        <source>always</source>
        <translation>immer</translation>
    </message>
    <message>
        <source>when blank</source>
        <translation>wenn leer</translation>
    </message>
    <message>
        <source>never</source>
        <translation>nie</translation>
    </message>
    <message>
        <source>Genre of the reference</source>
        <translation>Genre der Referenz</translation>
    </message>
    <message>
        <source>Is called here</source>
        <translation>Heißt hier</translation>
    </message>
    <message>
        <source>Genres and what they are called here</source>
        <translation>Genres und wie sie hier heißen</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>ausgelassen</translation>
    </message>
    <message>
        <source>What %1 is called here</source>
        <translation>Wie %1 hier heißt</translation>
    </message>
    <message>
        <source>Keep these rules</source>
        <translation>Diese Regeln behalten</translation>
    </message>
    <message>
        <source>A genre that is called nothing here is left out.</source>
        <translation>Ein Genre, das hier nicht benannt ist, wird ausgelassen.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TrackModel</name>
    <message>
        <source>Draft: %1</source>
        <translation>Entwurf: %1</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TrackSearch</name>
    <message>
        <source>Search the library for a track</source>
        <translation>Die Bibliothek nach einem Stück durchsuchen</translation>
    </message>
    <message>
        <source>Tracks that were found</source>
        <translation>Stücke, die gefunden wurden</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TrackStrip</name>
    <message>
        <source>Click to hear it from there</source>
        <translation>Klicken, um es von dort zu hören</translation>
    </message>
    <message>
        <source>Bookmark…</source>
        <translation>Marke…</translation>
    </message>
    <message>
        <source>Marks the place that is heard (Ctrl+Shift+B)</source>
        <translation>Markiert die Stelle, die zu hören ist (Strg+Umschalt+B)</translation>
    </message>
    <message>
        <source>No shape of the sound: %1</source>
        <translation>Keine Form des Klangs: %1</translation>
    </message>
    <message>
        <source>Hear it from there</source>
        <translation>Von dort hören</translation>
    </message>
    <message>
        <source>Remove this bookmark</source>
        <translation>Diese Marke entfernen</translation>
    </message>
    <message>
        <source>Bookmark</source>
        <translation>Marke</translation>
    </message>
    <message>
        <source>What is at %1?</source>
        <translation>Was ist bei %1?</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TroubleBox</name>
    <message>
        <source>%1 bit</source>
        <translation>%1 Bit</translation>
    </message>
    <message>
        <source>%1 kHz</source>
        <translation>%1 kHz</translation>
    </message>
    <message>
        <source>%1 kbit/s</source>
        <translation>%1 kbit/s</translation>
    </message>
    <message>
        <source>What stands against it</source>
        <translation>Was dagegen spricht</translation>
    </message>
    <message>
        <source>now %1</source>
        <translation>jetzt %1</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) chosen</source>
        <translation>
            <numerusform>%n Datei gewählt</numerusform>
            <numerusform>%n Dateien gewählt</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>for the whole release: %n file(s)</source>
        <translation>
            <numerusform>für die ganze Veröffentlichung: %n Datei</numerusform>
            <numerusform>für die ganze Veröffentlichung: %n Dateien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>for %n file(s)</source>
        <translation>
            <numerusform>für %n Datei</numerusform>
            <numerusform>für %n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>Show it in Describe</source>
        <translation>In Beschreiben zeigen</translation>
    </message>
    <message>
        <source>“%1” for all (%2 have it)</source>
        <translation>„%1“ für alle (%2 haben es)</translation>
    </message>
    <message>
        <source>Set %1</source>
        <translation>%1 setzen</translation>
    </message>
    <message>
        <source>put away</source>
        <translation>eingeordnet</translation>
    </message>
    <message>
        <source>What to do</source>
        <translation>Was zu tun ist</translation>
    </message>
    <message>
        <source>Keep both: this one gets a number</source>
        <translation>Beide behalten: diese bekommt eine Nummer</translation>
    </message>
    <message>
        <source>Leave this one where it is</source>
        <translation>Diese lassen, wo sie ist</translation>
    </message>
    <message>
        <source>Keep the better one</source>
        <translation>Die bessere behalten</translation>
    </message>
    <message>
        <source>Replace the one that is there</source>
        <translation>Die vorhandene ersetzen</translation>
    </message>
    <message>
        <source>Decide later</source>
        <translation>Später entscheiden</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Nebeneinander</translation>
    </message>
    <message>
        <source>comparing …</source>
        <translation>wird verglichen …</translation>
    </message>
    <message>
        <source>Comparing two files</source>
        <translation>Zwei Dateien werden verglichen</translation>
    </message>
    <message>
        <source>this one</source>
        <translation>diese</translation>
    </message>
    <message>
        <source>the other</source>
        <translation>die andere</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>Sound</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>Size</source>
        <translation>Größe</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TroubleReportDialog</name>
    <message>
        <source>About this trouble</source>
        <translation>Zu dieser Störung</translation>
    </message>
    <message>
        <source>This helps whoever you ask for help. Names of files, of artists and of titles are left out; look it over, and change what you like. It is not sent anywhere: save it, or copy it, and send it yourself.</source>
        <translation>Das hilft dem, den Sie um Hilfe bitten. Namen von Dateien, Interpreten und Titeln sind weggelassen; sehen Sie es durch, und ändern Sie, was Sie mögen. Es wird nirgendwohin geschickt: speichern oder kopieren Sie es, und schicken Sie es selbst.</translation>
    </message>
    <message>
        <source>The report</source>
        <translation>Der Bericht</translation>
    </message>
    <message>
        <source>Copy</source>
        <translation>Kopieren</translation>
    </message>
    <message>
        <source>Save…</source>
        <translation>Speichern…</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Save the report</source>
        <translation>Bericht speichern</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Text (*.txt)</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ValueBooks</name>
    <message>
        <source>Reading values</source>
        <translation>Werte werden gelesen</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ValueCompleter</name>
    <message>
        <source>Values to choose from</source>
        <translation>Werte zur Auswahl</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::VersionsDialog</name>
    <message>
        <source>Versions of recordings</source>
        <translation>Fassungen von Aufnahmen</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Bei der Aufnahme</translation>
    </message>
    <message>
        <source>Version</source>
        <translation>Fassung</translation>
    </message>
    <message>
        <source>Which</source>
        <translation>Welche</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>Families of versions</source>
        <translation>Familien von Fassungen</translation>
    </message>
    <message>
        <source>One family</source>
        <translation>Eine Familie</translation>
    </message>
    <message>
        <source>The chosen ones become a family of their own (F)</source>
        <translation>Die gewählten werden eine Familie für sich (F)</translation>
    </message>
    <message>
        <source>Leads</source>
        <translation>Führt</translation>
    </message>
    <message>
        <source>The chosen one leads its family (L)</source>
        <translation>Die gewählte führt ihre Familie (L)</translation>
    </message>
    <message>
        <source>Out of the family</source>
        <translation>Aus der Familie</translation>
    </message>
    <message>
        <source>The chosen ones stand alone (Del)</source>
        <translation>Die gewählten stehen für sich (Entf)</translation>
    </message>
    <message>
        <source>Drag lines from family to family; 1 to 9 say the version</source>
        <translation>Ziehen Sie Zeilen von Familie zu Familie; 1 bis 9 sagen die Fassung</translation>
    </message>
    <message>
        <source>Take</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Standing alone</source>
        <translation>Für sich</translation>
    </message>
    <message>
        <source>a family already</source>
        <translation>schon eine Familie</translation>
    </message>
    <message>
        <source>A family has one lead version: choose which (L).</source>
        <translation>Eine Familie hat eine Leitfassung: wählen Sie, welche (L).</translation>
    </message>
    <message>
        <source>No family is ticked.</source>
        <translation>Keine Familie ist angekreuzt.</translation>
    </message>
    <message>
        <source>Families: %1, versions: %2</source>
        <translation>Familien: %1, Fassungen: %2</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Waveform</name>
    <message>
        <source>Shape of the sound</source>
        <translation>Form des Klangs</translation>
    </message>
    <message>
        <source>no waveform</source>
        <translation>keine Wellenform</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WorkSide</name>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>What is missing</source>
        <translation>Was fehlt</translation>
    </message>
    <message>
        <source>Nothing: it is complete.</source>
        <translation>Nichts: es ist vollständig.</translation>
    </message>
    <message>
        <source>Two sources disagree</source>
        <translation>Zwei Quellen widersprechen sich</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>What is kept stays; the other source is not asked again</source>
        <translation>Was geführt ist, bleibt; die andere Quelle wird nicht wieder gefragt</translation>
    </message>
    <message>
        <source>Take the other</source>
        <translation>Die andere nehmen</translation>
    </message>
    <message>
        <source>Recordings</source>
        <translation>Aufnahmen</translation>
    </message>
    <message>
        <source>None. In the library, tracks get their works by a right click.</source>
        <translation>Keine. In der Bibliothek bekommen Stücke ihre Werke durch einen Rechtsklick.</translation>
    </message>
    <message>
        <source>Of %1 of them others own the master.</source>
        <translation>Bei %1 davon gehört der Master anderen.</translation>
    </message>
    <message>
        <source>Of %1 of them no owner is named.</source>
        <translation>Bei %1 davon ist kein Inhaber genannt.</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WorksPage</name>
    <message>
        <source>Works</source>
        <translation>Werke</translation>
    </message>
    <message>
        <source>least complete</source>
        <translation>die unvollständigsten</translation>
    </message>
    <message>
        <source>by title</source>
        <translation>nach Titel</translation>
    </message>
    <message>
        <source>Order of the works</source>
        <translation>Reihenfolge der Werke</translation>
    </message>
    <message>
        <source>New work</source>
        <translation>Neues Werk</translation>
    </message>
    <message>
        <source>By its title…</source>
        <translation>Nach seinem Titel…</translation>
    </message>
    <message>
        <source>Of all recordings that have none</source>
        <translation>Von allen Aufnahmen, die keins haben</translation>
    </message>
    <message>
        <source>Works of all recordings</source>
        <translation>Werke aller Aufnahmen</translation>
    </message>
    <message>
        <source>Releases</source>
        <translation>Veröffentlichungen</translation>
    </message>
    <message>
        <source>Search: title, name, number …</source>
        <translation>Suche: Titel, Name, Nummer …</translation>
    </message>
    <message>
        <source>Search the works</source>
        <translation>Werke durchsuchen</translation>
    </message>
    <message>
        <source>Writers</source>
        <translation>Urheber</translation>
    </message>
    <message>
        <source>Publishers</source>
        <translation>Verlage</translation>
    </message>
    <message>
        <source>Owners of the master</source>
        <translation>Inhaber des Masters</translation>
    </message>
    <message>
        <source>Shares from ▾</source>
        <translation>Anteile aus ▾</translation>
    </message>
    <message>
        <source>As of another song or as kept by name, for this one or for all that are chosen</source>
        <translation>Wie bei einem anderen Song oder unter einem Namen behalten, für diesen oder für alle gewählten</translation>
    </message>
    <message>
        <source>Keywords…</source>
        <translation>Schlagwörter…</translation>
    </message>
    <message>
        <source>Lyrics…</source>
        <translation>Liedtext…</translation>
    </message>
    <message>
        <source>One-sheet</source>
        <translation>Infoblatt</translation>
    </message>
    <message>
        <source>A sheet of this song, or of all that are chosen (Ctrl+Alt+S)</source>
        <translation>Ein Blatt zu diesem Song, oder zu allen gewählten (Strg+Alt+S)</translation>
    </message>
    <message>
        <source>New agreement</source>
        <translation>Neue Vereinbarung</translation>
    </message>
    <message>
        <source>About this song, or all that are chosen, with those who have a share in it</source>
        <translation>Über diesen Song, oder alle gewählten, mit denen, die einen Anteil daran haben</translation>
    </message>
    <message>
        <source>About the song</source>
        <translation>Zum Song</translation>
    </message>
    <message>
        <source>Lyrics</source>
        <translation>Liedtext</translation>
    </message>
    <message>
        <source>Add…</source>
        <translation>Hinzufügen…</translation>
    </message>
    <message>
        <source>%1: add</source>
        <translation>%1: hinzufügen</translation>
    </message>
    <message>
        <source>Share equally</source>
        <translation>Gleich teilen</translation>
    </message>
    <message>
        <source>%1: share equally</source>
        <translation>%1: gleich teilen</translation>
    </message>
    <message numerus="yes">
        <source>%n work(s)</source>
        <translation>
            <numerusform>%n Werk</numerusform>
            <numerusform>%n Werke</numerusform>
        </translation>
    </message>
    <message>
        <source>people: %1</source>
        <translation>Personen: %1</translation>
    </message>
    <message>
        <source>No works yet</source>
        <translation>Noch keine Werke</translation>
    </message>
    <message>
        <source>A work is the song itself, whatever recordings there are of it: who wrote it, who publishes it, who owns which part. The recordings on the shelves can get theirs in one step.</source>
        <translation>Ein Werk ist der Song selbst, welche Aufnahmen es auch von ihm gibt: wer ihn geschrieben hat, wer ihn verlegt, wem welcher Teil gehört. Die Aufnahmen auf den Regalen können ihre in einem Schritt bekommen.</translation>
    </message>
    <message>
        <source>ISWC %1</source>
        <translation>ISWC %1</translation>
    </message>
    <message>
        <source> (the check digit is wrong)</source>
        <translation> (die Prüfziffer ist falsch)</translation>
    </message>
    <message numerus="yes">
        <source>%n recording(s)</source>
        <translation>
            <numerusform>%n Aufnahme</numerusform>
            <numerusform>%n Aufnahmen</numerusform>
        </translation>
    </message>
    <message>
        <source>A master is of a recording, and there is none of this song yet.</source>
        <translation>Ein Master gehört zu einer Aufnahme, und von diesem Song gibt es noch keine.</translation>
    </message>
    <message>
        <source>The journal tells how the owners came about.</source>
        <translation>Das Journal sagt, wie es zu den Inhabern kam.</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
    <message>
        <source>typed</source>
        <translation>eingegeben</translation>
    </message>
    <message>
        <source>nobody</source>
        <translation>niemand</translation>
    </message>
    <message>
        <source>%1 of “%2”: how it came about</source>
        <translation>%1 von „%2“: wie es dazu kam</translation>
    </message>
    <message>
        <source>Enter the %1</source>
        <translation>%1 eingeben</translation>
    </message>
    <message>
        <source>They are known under People now: their numbers can be typed.</source>
        <translation>Sie sind jetzt unter Personen bekannt: ihre Nummern können eingegeben werden.</translation>
    </message>
    <message>
        <source>Shares from</source>
        <translation>Anteile aus</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Show in the library</source>
        <translation>In der Bibliothek zeigen</translation>
    </message>
    <message>
        <source>Remove	Del</source>
        <translation>Entfernen	Entf</translation>
    </message>
    <message>
        <source>What is the song called?</source>
        <translation>Wie heißt der Song?</translation>
    </message>
    <message>
        <source>All recordings have their works already.</source>
        <translation>Alle Aufnahmen haben ihre Werke schon.</translation>
    </message>
    <message numerus="yes">
        <source>%n new work(s). Ctrl+Z takes them back.</source>
        <translation>
            <numerusform>%n neues Werk. Strg+Z nimmt es zurück.</numerusform>
            <numerusform>%n neue Werke. Strg+Z nimmt sie zurück.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 as of another song</source>
        <translation>%1 wie bei einem anderen Song</translation>
    </message>
    <message>
        <source>Another song…</source>
        <translation>Ein anderer Song…</translation>
    </message>
    <message>
        <source>Keep these by name…</source>
        <translation>Diese unter einem Namen behalten…</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>The owners are of the recording: they are given to one song at a time.</source>
        <translation>Die Inhaber gehören zur Aufnahme: sie werden einem Song nach dem anderen gegeben.</translation>
    </message>
    <message>
        <source>Keep shares by name</source>
        <translation>Anteile unter einem Namen behalten</translation>
    </message>
    <message>
        <source>What they are called:</source>
        <translation>Wie sie heißen:</translation>
    </message>
    <message>
        <source> and </source>
        <translation> und </translation>
    </message>
    <message>
        <source>They need a name.</source>
        <translation>Sie brauchen einen Namen.</translation>
    </message>
    <message>
        <source>Kept: “%1” is offered under Shares from.</source>
        <translation>Behalten: „%1“ wird unter „Anteile aus“ angeboten.</translation>
    </message>
    <message>
        <source>There is no recording of this song yet, so nothing to put on a sheet.</source>
        <translation>Von diesem Song gibt es noch keine Aufnahme, also nichts für ein Blatt.</translation>
    </message>
    <message>
        <source>Agreement about “%1”</source>
        <translation>Vereinbarung über „%1“</translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WorseFiles</name>
    <message numerus="yes">
        <source>Replace %n file(s) by %1</source>
        <translation>
            <numerusform>%n Datei durch %1 ersetzen</numerusform>
            <numerusform>%n Dateien durch %1 ersetzen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WritingController</name>
    <message numerus="yes">
        <source>Write tags of %n file(s)</source>
        <translation>
            <numerusform>Tags von %n Datei schreiben</numerusform>
            <numerusform>Tags von %n Dateien schreiben</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Put away copies of %n file(s)</source>
        <translation>
            <numerusform>Kopie von %n Datei einordnen</numerusform>
            <numerusform>Kopien von %n Dateien einordnen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Put away %n file(s)</source>
        <translation>
            <numerusform>%n Datei einordnen</numerusform>
            <numerusform>%n Dateien einordnen</numerusform>
        </translation>
    </message>
    <message>
        <source>Files are being written just now. Try again when that has ended.</source>
        <translation>Gerade werden Dateien geschrieben. Versuchen Sie es noch einmal, wenn das zu Ende ist.</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left as before.</source>
        <translation>
            <numerusform>%n Datei geblieben wie zuvor.</numerusform>
            <numerusform>%n Dateien geblieben wie zuvor.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Stopped: %n file(s) were not begun.</source>
        <translation>
            <numerusform>Angehalten: %n Datei wurde nicht begonnen.</numerusform>
            <numerusform>Angehalten: %n Dateien wurden nicht begonnen.</numerusform>
        </translation>
    </message>
    <message>
        <source>The write was stopped.</source>
        <translation>Das Schreiben wurde angehalten.</translation>
    </message>
    <message>
        <source>Taking back</source>
        <translation>Wird zurückgenommen</translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) taken back.</source>
        <translation>
            <numerusform>%n Datei zurückgenommen.</numerusform>
            <numerusform>%n Dateien zurückgenommen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be: %1</source>
        <translation>
            <numerusform>%n Datei ging nicht: %1</numerusform>
            <numerusform>%n Dateien gingen nicht: %1</numerusform>
        </translation>
    </message>
    <message>
        <source>Reading files again</source>
        <translation>Dateien werden wieder gelesen</translation>
    </message>
</context>
</TS>
