<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="en_GB">
<context>
    <name>ChangeTexts</name>
    <message numerus="yes">
        <source>from %n other(s)</source>
        <translation><numerusform>from %n other</numerusform><numerusform>from %n others</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n in it</source>
        <translation><numerusform>%n in it</numerusform><numerusform>%n in it</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s)</source>
        <translation><numerusform>%n picture</numerusform><numerusform>%n pictures</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n share(s): %1</source>
        <translation><numerusform>%n share: %1</numerusform><numerusform>%n shares: %1</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation><numerusform>%n value</numerusform><numerusform>%n values</numerusform></translation>
    </message>
</context>
<context>
    <name>FamilyTexts</name>
    <message numerus="yes">
        <source>%n of the tracks have versions. What goes along?</source>
        <translation><numerusform>%n of the tracks have versions. What goes along?</numerusform><numerusform>%n of the tracks have versions. What goes along?</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AgreementsPage</name>
    <message numerus="yes">
        <source>%n end(s) soon</source>
        <translation><numerusform>%n end soon</numerusform><numerusform>%n ends soon</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AuditController</name>
    <message numerus="yes">
        <source>%n fix(es)</source>
        <translation><numerusform>%n fix</numerusform><numerusform>%n fixes</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Proposed: %n value(s).</source>
        <translation><numerusform>Proposed: %n value.</numerusform><numerusform>Proposed: %n values.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation><numerusform>%n file cannot be written to: no drafts of these.</numerusform><numerusform>%n files cannot be written to: no drafts of these.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::AuditPage</name>
    <message numerus="yes">
        <source>%n finding(s)</source>
        <translation><numerusform>%n finding</numerusform><numerusform>%n findings</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n release(s)</source>
        <translation><numerusform>%n release</numerusform><numerusform>%n releases</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Take %n fix(es)</source>
        <translation><numerusform>Take %n fix</numerusform><numerusform>Take %n fixes</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BeforeView</name>
    <message numerus="yes">
        <source>%n comment(s) back</source>
        <translation><numerusform>%n comment back</numerusform><numerusform>%n comments back</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BenchPage</name>
    <message numerus="yes">
        <source>%n gap(s)</source>
        <translation><numerusform>%n gap</numerusform><numerusform>%n gaps</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n left</source>
        <translation><numerusform>%n left</numerusform><numerusform>%n left</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n sleeve(s)</source>
        <translation><numerusform>%n sleeve</numerusform><numerusform>%n sleeves</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n draft(s) that are not written are lost.</source>
        <translation><numerusform>%n draft that are not written are lost.</numerusform><numerusform>%n drafts that are not written are lost.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n stray(s)</source>
        <translation><numerusform>%n stray</numerusform><numerusform>%n strays</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s) to confirm</source>
        <translation><numerusform>%n kind to confirm</numerusform><numerusform>%n kinds to confirm</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BringIn</name>
    <message numerus="yes">
        <source>%n place(s)</source>
        <translation><numerusform>%n place</numerusform><numerusform>%n places</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Stopped. %n file(s) were read.</source>
        <translation><numerusform>Stopped. %n file were read.</numerusform><numerusform>Stopped. %n files were read.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) are as they were, and were not read again.</source>
        <translation><numerusform>%n file are as they were, and were not read again.</numerusform><numerusform>%n files are as they were, and were not read again.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n of them are in the library already.</source>
        <translation><numerusform>%n of them are in the library already.</numerusform><numerusform>%n of them are in the library already.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::BringInPage</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n without tags</source>
        <translation><numerusform>%n without tags</numerusform><numerusform>%n without tags</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n to look at</source>
        <translation><numerusform>%n to look at</numerusform><numerusform>%n to look at</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n damaged or unreadable</source>
        <translation><numerusform>%n damaged or unreadable</numerusform><numerusform>%n damaged or unreadable</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the %n selected file(s)</source>
        <translation><numerusform>the %n selected file</numerusform><numerusform>the %n selected files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the %n file(s) shown</source>
        <translation><numerusform>the %n file shown</numerusform><numerusform>the %n files shown</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) beside them</source>
        <translation><numerusform>%n other beside them</numerusform><numerusform>%n others beside them</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s) to confirm…</source>
        <translation><numerusform>%n kind to confirm…</numerusform><numerusform>%n kinds to confirm…</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n kind(s)…</source>
        <translation><numerusform>%n kind…</numerusform><numerusform>%n kinds…</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n damaged</source>
        <translation><numerusform>%n damaged</numerusform><numerusform>%n damaged</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CardPage</name>
    <message numerus="yes">
        <source>%n more fact(s), not known</source>
        <translation><numerusform>%n more fact, not known</numerusform><numerusform>%n more facts, not known</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodeGapsModel</name>
    <message numerus="yes">
        <source>%n code(s) to choose from</source>
        <translation><numerusform>%n code to choose from</numerusform><numerusform>%n codes to choose from</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodesController</name>
    <message numerus="yes">
        <source>%n code(s)</source>
        <translation><numerusform>%n code</numerusform><numerusform>%n codes</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Proposed: %n code(s).</source>
        <translation><numerusform>Proposed: %n code.</numerusform><numerusform>Proposed: %n codes.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation><numerusform>%n file cannot be written to: no drafts of these.</numerusform><numerusform>%n files cannot be written to: no drafts of these.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CodesView</name>
    <message numerus="yes">
        <source>Take %n sure code(s)</source>
        <translation><numerusform>Take %n sure code</numerusform><numerusform>Take %n sure codes</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n without an ISRC</source>
        <translation><numerusform>%n without an ISRC</numerusform><numerusform>%n without an ISRC</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionMenus</name>
    <message numerus="yes">
        <source>New list of %n chosen track(s)…</source>
        <translation><numerusform>New list of %n chosen track…</numerusform><numerusform>New list of %n chosen tracks…</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionTree</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CollectionsController</name>
    <message numerus="yes">
        <source>%n track(s) added to “%1”.</source>
        <translation><numerusform>%n track added to “%1”.</numerusform><numerusform>%n tracks added to “%1”.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) written to “%1”.</source>
        <translation><numerusform>%n track written to “%1”.</numerusform><numerusform>%n tracks written to “%1”.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CompareEditions</name>
    <message numerus="yes">
        <source>%n change(s)</source>
        <translation><numerusform>%n change</numerusform><numerusform>%n changes</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CopyFieldsDialog</name>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation><numerusform>%n value</numerusform><numerusform>%n values</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::CopySharesDialog</name>
    <message numerus="yes">
        <source>Shares of another song for %n chosen one(s)</source>
        <translation><numerusform>Shares of another song for %n chosen one</numerusform><numerusform>Shares of another song for %n chosen ones</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeliverPage</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeliveryBox</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Changed since: %n track(s).</source>
        <translation><numerusform>Changed since: %n track.</numerusform><numerusform>Changed since: %n tracks.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Not in the library any more: %n track(s).</source>
        <translation><numerusform>Not in the library any more: %n track.</numerusform><numerusform>Not in the library any more: %n tracks.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DeviceView</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1: %n track(s)</source>
        <translation><numerusform>%1: %n track</numerusform><numerusform>%1: %n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DevicesController</name>
    <message numerus="yes">
        <source>came: %n</source>
        <translation><numerusform>came: %n</numerusform><numerusform>came: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>changed: %n</source>
        <translation><numerusform>changed: %n</numerusform><numerusform>changed: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>gone: %n</source>
        <translation><numerusform>gone: %n</numerusform><numerusform>gone: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be done: %1</source>
        <translation><numerusform>%n file could not be done: %1</numerusform><numerusform>%n files could not be done: %1</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscAnswers</name>
    <message numerus="yes">
        <source>%n answer(s) by name; their tables are not told</source>
        <translation><numerusform>%n answer by name; their tables are not told</numerusform><numerusform>%n answers by name; their tables are not told</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n answer(s) with this very table</source>
        <translation><numerusform>%n answer with this very table</numerusform><numerusform>%n answers with this very table</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n answer(s) with nearly this table</source>
        <translation><numerusform>%n answer with nearly this table</numerusform><numerusform>%n answers with nearly this table</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscDialog</name>
    <message numerus="yes">
        <source>image, %n track(s)</source>
        <translation><numerusform>image, %n track</numerusform><numerusform>image, %n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Rip %n track(s)</source>
        <translation><numerusform>Rip %n track</numerusform><numerusform>Rip %n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>taken out, %n track(s)</source>
        <translation><numerusform>taken out, %n track</numerusform><numerusform>taken out, %n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1, %n track(s)</source>
        <translation><numerusform>%1, %n track</numerusform><numerusform>%1, %n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) in the library have the same sound, but less of it: %1</source>
        <translation><numerusform>%n file in the library have the same sound, but less of it: %1</numerusform><numerusform>%n files in the library have the same sound, but less of it: %1</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n sector(s) read again</source>
        <translation><numerusform>%n sector read again</numerusform><numerusform>%n sectors read again</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) are in %1.</source>
        <translation><numerusform>%n track are in %1.</numerusform><numerusform>%n tracks are in %1.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s), ripped</source>
        <translation><numerusform>%n track, ripped</numerusform><numerusform>%n tracks, ripped</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) with data, no sound: left out.</source>
        <translation><numerusform>%n track with data, no sound: left out.</numerusform><numerusform>%n tracks with data, no sound: left out.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::DiscTrackModel</name>
    <message numerus="yes">
        <source>%n sector(s) not proven</source>
        <translation><numerusform>%n sector not proven</numerusform><numerusform>%n sectors not proven</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1, %n read again</source>
        <translation><numerusform>%1, %n read again</numerusform><numerusform>%1, %n read again</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>proven, %n read again</source>
        <translation><numerusform>proven, %n read again</numerusform><numerusform>proven, %n read again</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) read the same</source>
        <translation><numerusform>%n other read the same</numerusform><numerusform>%n others read the same</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n other(s) read it otherwise</source>
        <translation><numerusform>%n other read it otherwise</numerusform><numerusform>%n others read it otherwise</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Drawer</name>
    <message numerus="yes">
        <source>%n file(s) together</source>
        <translation><numerusform>%n file together</numerusform><numerusform>%n files together</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Clear all tags of %n file(s)</source>
        <translation><numerusform>Clear all tags of %n file</numerusform><numerusform>Clear all tags of %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::EntryDialog</name>
    <message numerus="yes">
        <source>%n row(s) become entries of the library whose file is absent: they are found, listed and sent out like others. When a file comes, it takes its place.</source>
        <translation><numerusform>%n row become entries of the library whose file is absent: they are found, listed and sent out like others. When a file comes, it takes its place.</numerusform><numerusform>%n rows become entries of the library whose file is absent: they are found, listed and sent out like others. When a file comes, it takes its place.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FacetPanel</name>
    <message numerus="yes">
        <source>%n rule(s) not met</source>
        <translation><numerusform>%n rule not met</numerusform><numerusform>%n rules not met</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FieldBox</name>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation><numerusform>%n value</numerusform><numerusform>%n values</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FileDetails</name>
    <message numerus="yes">
        <source>%n part(s) of the tags were not understood and are kept: %1</source>
        <translation><numerusform>%n part of the tags were not understood and are kept: %1</numerusform><numerusform>%n parts of the tags were not understood and are kept: %1</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%L1 Hz, %n channel(s), %2 kbit/s</source>
        <translation><numerusform>%L1 Hz, %n channel, %2 kbit/s</numerusform><numerusform>%L1 Hz, %n channels, %2 kbit/s</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation><numerusform>and %n more</numerusform><numerusform>and %n more</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) of this recording</source>
        <translation><numerusform>%n file of this recording</numerusform><numerusform>%n files of this recording</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FillDialog</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n fact(s)</source>
        <translation><numerusform>%n fact</numerusform><numerusform>%n facts</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FilterBar</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FindAgainDialog</name>
    <message numerus="yes">
        <source>%n file(s) found again</source>
        <translation><numerusform>%n file found again</numerusform><numerusform>%n files found again</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n not found</source>
        <translation><numerusform>%n not found</numerusform><numerusform>%n not found</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Follow %n file(s)</source>
        <translation><numerusform>Follow %n file</numerusform><numerusform>Follow %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FindingBox</name>
    <message numerus="yes">
        <source>As drafts: %n value(s). Nothing is written yet.</source>
        <translation><numerusform>As drafts: %n value. Nothing is written yet.</numerusform><numerusform>As drafts: %n values. Nothing is written yet.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityCalendar</name>
    <message numerus="yes">
        <source>%1: %n file(s), %2</source>
        <translation><numerusform>%1: %n file, %2</numerusform><numerusform>%1: %n files, %2</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityController</name>
    <message numerus="yes">
        <source>Fixity: %n file(s) compared.</source>
        <translation><numerusform>Fixity: %n file compared.</numerusform><numerusform>Fixity: %n files compared.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Fixity: %1 of %n file(s) are not as they were kept.</source>
        <translation><numerusform>Fixity: %1 of %n file are not as they were kept.</numerusform><numerusform>Fixity: %1 of %n files are not as they were kept.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The fixity of %n file(s) is kept as it is now.</source>
        <translation><numerusform>The fixity of %n file is kept as it is now.</numerusform><numerusform>The fixity of %n files is kept as it is now.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FixityView</name>
    <message numerus="yes">
        <source>%L1 of %n file(s) have a fixity (%2 of %3).</source>
        <translation><numerusform>%L1 of %n file have a fixity (%2 of %3).</numerusform><numerusform>%L1 of %n files have a fixity (%2 of %3).</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) are not as they were kept: see "Fixity that changed" among the findings.</source>
        <translation><numerusform>%n file are not as they were kept: see "Fixity that changed" among the findings.</numerusform><numerusform>%n files are not as they were kept: see "Fixity that changed" among the findings.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>All of it is read once in %n night(s), those first that waited longest.</source>
        <translation><numerusform>All of it is read once in %n night, those first that waited longest.</numerusform><numerusform>All of it is read once in %n nights, those first that waited longest.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The sound that %n file(s) have now becomes the one that is compared with. What it was before is not known any more then.</source>
        <translation><numerusform>The sound that %n file have now becomes the one that is compared with. What it was before is not known any more then.</numerusform><numerusform>The sound that %n files have now becomes the one that is compared with. What it was before is not known any more then.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FolderModel</name>
    <message numerus="yes">
        <source>Its tags differ in %n field(s).</source>
        <translation><numerusform>Its tags differ in %n field.</numerusform><numerusform>Its tags differ in %n fields.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::FolderPanel</name>
    <message numerus="yes">
        <source>%1, %n file(s) with drafts</source>
        <translation><numerusform>%1, %n file with drafts</numerusform><numerusform>%1, %n files with drafts</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::Foot</name>
    <message numerus="yes">
        <source>%n draft(s)</source>
        <translation><numerusform>%n draft</numerusform><numerusform>%n drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) to move</source>
        <translation><numerusform>%n file to move</numerusform><numerusform>%n files to move</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Write %n change(s)</source>
        <translation><numerusform>Write %n change</numerusform><numerusform>Write %n changes</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n more in other batches</source>
        <translation><numerusform>%n more in other batches</numerusform><numerusform>%n more in other batches</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::GatherDialog</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyController</name>
    <message numerus="yes">
        <source>Take %n sure release(s)</source>
        <translation><numerusform>Take %n sure release</numerusform><numerusform>Take %n sure releases</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyOverview</name>
    <message numerus="yes">
        <source>Take the %n sure one(s) as drafts</source>
        <translation><numerusform>Take the %n sure one as drafts</numerusform><numerusform>Take the %n sure ones as drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Nothing is taken before you say so. %n sleeve(s) left.</source>
        <translation><numerusform>Nothing is taken before you say so. %n sleeve left.</numerusform><numerusform>Nothing is taken before you say so. %n sleeves left.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the same recordings, %n file(s)</source>
        <translation><numerusform>the same recordings, %n file</numerusform><numerusform>the same recordings, %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>this release, edition not told, %n file(s)</source>
        <translation><numerusform>this release, edition not told, %n file</numerusform><numerusform>this release, edition not told, %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>another edition, %n file(s)</source>
        <translation><numerusform>another edition, %n file</numerusform><numerusform>another edition, %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>another edition (%1), %n file(s)</source>
        <translation><numerusform>another edition (%1), %n file</numerusform><numerusform>another edition (%1), %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>this edition, %n file(s)</source>
        <translation><numerusform>this edition, %n file</numerusform><numerusform>this edition, %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::IdentifyPage</name>
    <message numerus="yes">
        <source>, %n file(s) over</source>
        <translation><numerusform>, %n file over</numerusform><numerusform>, %n files over</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n candidate(s) in %1 · %2</source>
        <translation><numerusform>%n candidate in %1 · %2</numerusform><numerusform>%n candidates in %1 · %2</numerusform></translation>
    </message>
    <message numerus="yes">
        <source> · %n file(s) without a seat</source>
        <translation><numerusform> · %n file without a seat</numerusform><numerusform> · %n files without a seat</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::JobShelf</name>
    <message numerus="yes">
        <source>%n second(s) left</source>
        <translation><numerusform>%n second left</numerusform><numerusform>%n seconds left</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::JournalPage</name>
    <message numerus="yes">
        <source>%n left out</source>
        <translation><numerusform>%n left out</numerusform><numerusform>%n left out</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) written</source>
        <translation><numerusform>%n file written</numerusform><numerusform>%n files written</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n set aside</source>
        <translation><numerusform>%n set aside</numerusform><numerusform>%n set aside</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n change(s), newest first</source>
        <translation><numerusform>%n change, newest first</numerusform><numerusform>%n changes, newest first</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::KeywordsDialog</name>
    <message numerus="yes">
        <source>%1 · %n song(s)</source>
        <translation><numerusform>%1 · %n song</numerusform><numerusform>%1 · %n songs</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::KindsDialog</name>
    <message numerus="yes">
        <source>Listen to %n more file(s)</source>
        <translation><numerusform>Listen to %n more file</numerusform><numerusform>Listen to %n more files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryPage</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the %n selected file(s)</source>
        <translation><numerusform>the %n selected file</numerusform><numerusform>the %n selected files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the %n file(s) shown</source>
        <translation><numerusform>the %n file shown</numerusform><numerusform>the %n files shown</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) sent to the bench.</source>
        <translation><numerusform>%n file sent to the bench.</numerusform><numerusform>%n files sent to the bench.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The library will know nothing of %n file(s) any more. The journal can bring them back.</source>
        <translation><numerusform>The library will know nothing of %n file any more. The journal can bring them back.</numerusform><numerusform>The library will know nothing of %n files any more. The journal can bring them back.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n value(s) were proposed: see Review.</source>
        <translation><numerusform>%n value were proposed: see Review.</numerusform><numerusform>%n values were proposed: see Review.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Of %n track(s):</source>
        <translation><numerusform>Of %n track:</numerusform><numerusform>Of %n tracks:</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n new work(s). Ctrl+Z takes them back.</source>
        <translation><numerusform>%n new work. Ctrl+Z takes them back.</numerusform><numerusform>%n new works. Ctrl+Z takes them back.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryPlace</name>
    <message numerus="yes">
        <source>%1, with what is kept beside it: %n file(s), %2.</source>
        <translation><numerusform>%1, with what is kept beside it: %n file, %2.</numerusform><numerusform>%1, with what is kept beside it: %n files, %2.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::LibraryTroubleBar</name>
    <message numerus="yes">
        <source>%1 %n change(s) wait to be saved. Nothing is lost: they are saved as soon as that is possible, as long as Moorfrost stays open.</source>
        <translation><numerusform>%1 %n change wait to be saved. Nothing is lost: they are saved as soon as that is possible, as long as Moorfrost stays open.</numerusform><numerusform>%1 %n changes wait to be saved. Nothing is lost: they are saved as soon as that is possible, as long as Moorfrost stays open.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n change(s) could not be written to the library.</source>
        <translation><numerusform>%n change could not be written to the library.</numerusform><numerusform>%n changes could not be written to the library.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListLine</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n absent</source>
        <translation><numerusform>%n absent</numerusform><numerusform>%n absent</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n of which no file is known</source>
        <translation><numerusform>%n of which no file is known</numerusform><numerusform>%n of which no file is known</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListsOutController</name>
    <message numerus="yes">
        <source>Saved %n track(s) as %1.</source>
        <translation><numerusform>Saved %n track as %1.</numerusform><numerusform>Saved %n tracks as %1.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ListsView</name>
    <message numerus="yes">
        <source>As it will be · %n track(s)</source>
        <translation><numerusform>As it will be · %n track</numerusform><numerusform>As it will be · %n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MendTextDialog</name>
    <message numerus="yes">
        <source>All text of these %n file(s) looks right.</source>
        <translation><numerusform>All text of these %n file looks right.</numerusform><numerusform>All text of these %n files looks right.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MisplacedDialog</name>
    <message numerus="yes">
        <source>%n file(s) of the library</source>
        <translation><numerusform>%n file of the library</numerusform><numerusform>%n files of the library</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>All %n file(s) of this shelf are where this plan puts them.</source>
        <translation><numerusform>All %n file of this shelf are where this plan puts them.</numerusform><numerusform>All %n files of this shelf are where this plan puts them.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Not where this plan puts them: %1 of %n file(s).</source>
        <translation><numerusform>Not where this plan puts them: %1 of %n file.</numerusform><numerusform>Not where this plan puts them: %1 of %n files.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::MoveLibraryDialog</name>
    <message numerus="yes">
        <source>The library and what is kept beside it: %n file(s), %1. The files of your shelves stay where they are.</source>
        <translation><numerusform>The library and what is kept beside it: %n file, %1. The files of your shelves stay where they are.</numerusform><numerusform>The library and what is kept beside it: %n files, %1. The files of your shelves stay where they are.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::NewReleaseDialog</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s), with the recordings that are here</source>
        <translation><numerusform>%n track, with the recordings that are here</numerusform><numerusform>%n tracks, with the recordings that are here</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::OwnCodesDialog</name>
    <message numerus="yes">
        <source>The chosen recording(s): %n</source>
        <translation><numerusform>The chosen recording: %n</numerusform><numerusform>The chosen recordings: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>All that nobody knows a code of: %n</source>
        <translation><numerusform>All that nobody knows a code of: %n</numerusform><numerusform>All that nobody knows a code of: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>As drafts: %n code(s).</source>
        <translation><numerusform>As drafts: %n code.</numerusform><numerusform>As drafts: %n codes.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PackageView</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>left out, without a file that is there: %n</source>
        <translation><numerusform>left out, without a file that is there: %n</numerusform><numerusform>left out, without a file that is there: %n</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1 is whole: %n file(s), %2, every sum is right.</source>
        <translation><numerusform>%1 is whole: %n file, %2, every sum is right.</numerusform><numerusform>%1 is whole: %n files, %2, every sum is right.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1 is not whole: %n finding(s).</source>
        <translation><numerusform>%1 is not whole: %n finding.</numerusform><numerusform>%1 is not whole: %n findings.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PackagesController</name>
    <message numerus="yes">
        <source>The package is made in %1: %n file(s), %2.</source>
        <translation><numerusform>The package is made in %1: %n file, %2.</numerusform><numerusform>The package is made in %1: %n files, %2.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PagePreview</name>
    <message numerus="yes">
        <source>and %n more track(s)</source>
        <translation><numerusform>and %n more track</numerusform><numerusform>and %n more tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n version(s)</source>
        <translation><numerusform>%n version</numerusform><numerusform>%n versions</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PageView</name>
    <message numerus="yes">
        <source>Left out, without a file that is there: %n track(s)</source>
        <translation><numerusform>Left out, without a file that is there: %n track</numerusform><numerusform>Left out, without a file that is there: %n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PagesController</name>
    <message numerus="yes">
        <source>%n thing(s) could not be made: %1</source>
        <translation><numerusform>%n thing could not be made: %1</numerusform><numerusform>%n things could not be made: %1</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n sound(s)</source>
        <translation><numerusform>%n sound</numerusform><numerusform>%n sounds</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Took in %n comment(s).</source>
        <translation><numerusform>Took in %n comment.</numerusform><numerusform>Took in %n comments.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Left out, because they are of no track of the page: %n.</source>
        <translation><numerusform>Left out, because they are of no track of the page: %n.</numerusform><numerusform>Left out, because they are of no track of the page: %n.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PartySide</name>
    <message numerus="yes">
        <source>%1, in %n file(s)</source>
        <translation><numerusform>%1, in %n file</numerusform><numerusform>%1, in %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PeoplePage</name>
    <message numerus="yes">
        <source>%n song(s)</source>
        <translation><numerusform>%n song</numerusform><numerusform>%n songs</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PictureBox</name>
    <message numerus="yes">
        <source>goes from %n file(s) with the next write</source>
        <translation><numerusform>goes from %n file with the next write</numerusform><numerusform>goes from %n files with the next write</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the same in all %n file(s)</source>
        <translation><numerusform>the same in all %n file</numerusform><numerusform>the same in all %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation><numerusform>and %n more</numerusform><numerusform>and %n more</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>No picture in %n file(s)</source>
        <translation><numerusform>No picture in %n file</numerusform><numerusform>No picture in %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The same in all %n file(s)</source>
        <translation><numerusform>The same in all %n file</numerusform><numerusform>The same in all %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PictureDialog</name>
    <message numerus="yes">
        <source>The same in all %n file(s)</source>
        <translation><numerusform>The same in all %n file</numerusform><numerusform>The same in all %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Make all %n fit that are too large</source>
        <translation><numerusform>Make all %n fit that are too large</numerusform><numerusform>Make all %n fit that are too large</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n picture(s): %1 instead of %2</source>
        <translation><numerusform>%n picture: %1 instead of %2</numerusform><numerusform>%n pictures: %1 instead of %2</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n stay(s) as they are</source>
        <translation><numerusform>%n stay as they are</numerusform><numerusform>%n stays as they are</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PicturesController</name>
    <message numerus="yes">
        <source>Not in %n file(s): %1</source>
        <translation><numerusform>Not in %n file: %1</numerusform><numerusform>Not in %n files: %1</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Add %n picture(s)</source>
        <translation><numerusform>Add %n picture</numerusform><numerusform>Add %n pictures</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaylistExportDialog</name>
    <message numerus="yes">
        <source>Export %n track(s)</source>
        <translation><numerusform>Export %n track</numerusform><numerusform>Export %n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PlaylistImportDialog</name>
    <message numerus="yes">
        <source>%n track(s) found</source>
        <translation><numerusform>%n track found</numerusform><numerusform>%n tracks found</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n of them at another place</source>
        <translation><numerusform>%n of them at another place</numerusform><numerusform>%n of them at another place</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation><numerusform>%n left out</numerusform><numerusform>%n left out</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Make a list of %n track(s)</source>
        <translation><numerusform>Make a list of %n track</numerusform><numerusform>Make a list of %n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::PutAwayPage</name>
    <message numerus="yes">
        <source>%n file(s) will be copied</source>
        <translation><numerusform>%n file will be copied</numerusform><numerusform>%n files will be copied</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) will move</source>
        <translation><numerusform>%n file will move</numerusform><numerusform>%n files will move</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n new folder(s)</source>
        <translation><numerusform>%n new folder</numerusform><numerusform>%n new folders</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n emptied folder(s) will go</source>
        <translation><numerusform>%n emptied folder will go</numerusform><numerusform>%n emptied folders will go</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n album(s) would be split</source>
        <translation><numerusform>%n album would be split</numerusform><numerusform>%n albums would be split</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n with gaps in the name</source>
        <translation><numerusform>%n with gaps in the name</numerusform><numerusform>%n with gaps in the name</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n cannot be put away</source>
        <translation><numerusform>%n cannot be put away</numerusform><numerusform>%n cannot be put away</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Draft %n copy(ies)</source>
        <translation><numerusform>Draft %n copy</numerusform><numerusform>Draft %n copies</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Draft %n move(s)</source>
        <translation><numerusform>Draft %n move</numerusform><numerusform>Draft %n moves</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Draft %n new name(s)</source>
        <translation><numerusform>Draft %n new name</numerusform><numerusform>Draft %n new names</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) will be renamed</source>
        <translation><numerusform>%n file will be renamed</numerusform><numerusform>%n files will be renamed</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n go(es) along</source>
        <translation><numerusform>%n goes along</numerusform><numerusform>%n go along</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n left out</source>
        <translation><numerusform>%n left out</numerusform><numerusform>%n left out</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n name(s) altered</source>
        <translation><numerusform>%n name altered</numerusform><numerusform>%n names altered</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n will be replaced</source>
        <translation><numerusform>%n will be replaced</numerusform><numerusform>%n will be replaced</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n there in another format</source>
        <translation><numerusform>%n there in another format</numerusform><numerusform>%n there in another format</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReadNamesDialog</name>
    <message numerus="yes">
        <source>%n do(es) not fit</source>
        <translation><numerusform>%n does not fit</numerusform><numerusform>%n do not fit</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n in doubt: 1 takes what is read, 2 the other, 0 neither</source>
        <translation><numerusform>%n in doubt: 1 takes what is read, 2 the other, 0 neither</numerusform><numerusform>%n in doubt: 1 takes what is read, 2 the other, 0 neither</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RecoveryPage</name>
    <message numerus="yes">
        <source>Set aside: %n file(s)</source>
        <translation><numerusform>Set aside: %n file</numerusform><numerusform>Set aside: %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>As before: %n file(s)</source>
        <translation><numerusform>As before: %n file</numerusform><numerusform>As before: %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Finished: %n file(s)</source>
        <translation><numerusform>Finished: %n file</numerusform><numerusform>Finished: %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Left alone, because to put it right would have meant guessing: %n file(s). All others are whole.</source>
        <translation><numerusform>Left alone, because to put it right would have meant guessing: %n file. All others are whole.</numerusform><numerusform>Left alone, because to put it right would have meant guessing: %n files. All others are whole.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseLines</name>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation><numerusform>%n edition</numerusform><numerusform>%n editions</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasePicturesView</name>
    <message numerus="yes">
        <source>for all %n file(s)</source>
        <translation><numerusform>for all %n file</numerusform><numerusform>for all %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>for the %n with a seat</source>
        <translation><numerusform>for the %n with a seat</numerusform><numerusform>for the %n with a seat</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>for disc %1 (%n file(s))</source>
        <translation><numerusform>for disc %1 (%n file)</numerusform><numerusform>for disc %1 (%n files)</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>for %n that were chosen…</source>
        <translation><numerusform>for %n that were chosen…</numerusform><numerusform>for %n that were chosen…</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Take %n picture(s)</source>
        <translation><numerusform>Take %n picture</numerusform><numerusform>Take %n pictures</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleaseTrackModel</name>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation><numerusform>%n edition</numerusform><numerusform>%n editions</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReleasesPage</name>
    <message numerus="yes">
        <source>%n release(s)</source>
        <translation><numerusform>%n release</numerusform><numerusform>%n releases</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>, %n set(s) of editions</source>
        <translation><numerusform>, %n set of editions</numerusform><numerusform>, %n sets of editions</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) without a file</source>
        <translation><numerusform>%n track without a file</numerusform><numerusform>%n tracks without a file</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>one of %n edition(s)</source>
        <translation><numerusform>one of %n edition</numerusform><numerusform>one of %n editions</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n more fact(s), not known</source>
        <translation><numerusform>%n more fact, not known</numerusform><numerusform>%n more facts, not known</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n value(s) were proposed: see Review.</source>
        <translation><numerusform>%n value were proposed: see Review.</numerusform><numerusform>%n values were proposed: see Review.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ReviewPage</name>
    <message numerus="yes">
        <source>%n draft(s)</source>
        <translation><numerusform>%n draft</numerusform><numerusform>%n drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) to move</source>
        <translation><numerusform>%n file to move</numerusform><numerusform>%n files to move</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) written.</source>
        <translation><numerusform>%n file written.</numerusform><numerusform>%n files written.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left as before; the reasons are below, the drafts are kept.</source>
        <translation><numerusform>%n file left as before; the reasons are below, the drafts are kept.</numerusform><numerusform>%n files left as before; the reasons are below, the drafts are kept.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Stopped: %n file(s) were not begun.</source>
        <translation><numerusform>Stopped: %n file were not begun.</numerusform><numerusform>Stopped: %n files were not begun.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The journal is full. With this write the %n oldest set(s), until %1, can no longer be taken back. Settings can give the journal more room.</source>
        <translation><numerusform>The journal is full. With this write the %n oldest set, until %1, can no longer be taken back. Settings can give the journal more room.</numerusform><numerusform>The journal is full. With this write the %n oldest sets, until %1, can no longer be taken back. Settings can give the journal more room.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Take back %n of these</source>
        <translation><numerusform>Take back %n of these</numerusform><numerusform>Take back %n of these</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n emptied folder(s) gone.</source>
        <translation><numerusform>%n emptied folder gone.</numerusform><numerusform>%n emptied folders gone.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left on the bench.</source>
        <translation><numerusform>%n file left on the bench.</numerusform><numerusform>%n files left on the bench.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RipController</name>
    <message numerus="yes">
        <source>%1 is ripped: all %n track(s) are proven.</source>
        <translation><numerusform>%1 is ripped: all %n track are proven.</numerusform><numerusform>%1 is ripped: all %n tracks are proven.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The rip of %1 ended early: %2 %n track(s) are files.</source>
        <translation><numerusform>The rip of %1 ended early: %2 %n track are files.</numerusform><numerusform>The rip of %1 ended early: %2 %n tracks are files.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Of %1, %n track(s) could not be ripped.</source>
        <translation><numerusform>Of %1, %n track could not be ripped.</numerusform><numerusform>Of %1, %n tracks could not be ripped.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Places that never read the same twice are in %n track(s).</source>
        <translation><numerusform>Places that never read the same twice are in %n track.</numerusform><numerusform>Places that never read the same twice are in %n tracks.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RipPanel</name>
    <message numerus="yes">
        <source>and %n more</source>
        <translation><numerusform>and %n more</numerusform><numerusform>and %n more</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInController</name>
    <message numerus="yes">
        <source>Proposed: %n value(s).</source>
        <translation><numerusform>Proposed: %n value.</numerusform><numerusform>Proposed: %n values.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Kept in the library: of %n track(s).</source>
        <translation><numerusform>Kept in the library: of %n track.</numerusform><numerusform>Kept in the library: of %n tracks.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) cannot be written to: no drafts of these.</source>
        <translation><numerusform>%n file cannot be written to: no drafts of these.</numerusform><numerusform>%n files cannot be written to: no drafts of these.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n new track(s) without a file.</source>
        <translation><numerusform>%n new track without a file.</numerusform><numerusform>%n new tracks without a file.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>To be brought in, because they are there: %n file(s).</source>
        <translation><numerusform>To be brought in, because they are there: %n file.</numerusform><numerusform>To be brought in, because they are there: %n files.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInModel</name>
    <message numerus="yes">
        <source>%n tracks are as likely</source>
        <translation><numerusform>%n tracks are as likely</numerusform><numerusform>%n tracks are as likely</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsInView</name>
    <message numerus="yes">
        <source>Take %n row(s) as drafts</source>
        <translation><numerusform>Take %n row as drafts</numerusform><numerusform>Take %n rows as drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n row(s)</source>
        <translation><numerusform>%n row</numerusform><numerusform>%n rows</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n agree</source>
        <translation><numerusform>%n agree</numerusform><numerusform>%n agree</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n character(s) cannot be read in this encoding</source>
        <translation><numerusform>%n character cannot be read in this encoding</numerusform><numerusform>%n characters cannot be read in this encoding</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>left out: %n NUL character(s)</source>
        <translation><numerusform>left out: %n NUL character</numerusform><numerusform>left out: %n NUL characters</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsOutController</name>
    <message numerus="yes">
        <source>Saved %n row(s) as %1.</source>
        <translation><numerusform>Saved %n row as %1.</numerusform><numerusform>Saved %n rows as %1.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n row(s)</source>
        <translation><numerusform>%n row</numerusform><numerusform>%n rows</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RowsOutView</name>
    <message numerus="yes">
        <source>in %n columns</source>
        <translation><numerusform>in %n columns</numerusform><numerusform>in %n columns</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>As it will be · %n row(s)</source>
        <translation><numerusform>As it will be · %n row</numerusform><numerusform>As it will be · %n rows</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::RuleRow</name>
    <message numerus="yes">
        <source>%n sleeve(s) on the bench, met by %1</source>
        <translation><numerusform>%n sleeve on the bench, met by %1</numerusform><numerusform>%n sleeves on the bench, met by %1</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SameSoundPage</name>
    <message numerus="yes">
        <source>%n group(s)</source>
        <translation><numerusform>%n group</numerusform><numerusform>%n groups</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were not listened to yet.</source>
        <translation><numerusform>%n file were not listened to yet.</numerusform><numerusform>%n files were not listened to yet.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were compared.</source>
        <translation><numerusform>%n file were compared.</numerusform><numerusform>%n files were compared.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n field(s)</source>
        <translation><numerusform>%n field</numerusform><numerusform>%n fields</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>one with %n other(s)</source>
        <translation><numerusform>one with %n other</numerusform><numerusform>one with %n others</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>the other %n go to the trash; it can be taken back</source>
        <translation><numerusform>the other %n go to the trash; it can be taken back</numerusform><numerusform>the other %n go to the trash; it can be taken back</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SectionList</name>
    <message numerus="yes">
        <source>%n gap(s)</source>
        <translation><numerusform>%n gap</numerusform><numerusform>%n gaps</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SetProposals</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SettingsPage</name>
    <message numerus="yes">
        <source>With the next write the %n oldest set(s) can no longer be taken back.</source>
        <translation><numerusform>With the next write the %n oldest set can no longer be taken back.</numerusform><numerusform>With the next write the %n oldest sets can no longer be taken back.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetSongs</name>
    <message numerus="yes">
        <source>and %n more</source>
        <translation><numerusform>and %n more</numerusform><numerusform>and %n more</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SheetView</name>
    <message numerus="yes">
        <source>%n pasted value(s) had no cell to go into</source>
        <translation><numerusform>%n pasted value had no cell to go into</numerusform><numerusform>%n pasted values had no cell to go into</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::ShelvesController</name>
    <message numerus="yes">
        <source>Reading %n shelf(s)</source>
        <translation><numerusform>Reading %n shelf</numerusform><numerusform>Reading %n shelfs</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) were new to the library or changed,</source>
        <translation><numerusform>%n file were new to the library or changed,</numerusform><numerusform>%n files were new to the library or changed,</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n as they were.</source>
        <translation><numerusform>%n as they were.</numerusform><numerusform>%n as they were.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The library has followed %n file(s) that others moved.</source>
        <translation><numerusform>The library has followed %n file that others moved.</numerusform><numerusform>The library has followed %n files that others moved.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be found and got the mark "absent". What the library keeps stays.</source>
        <translation><numerusform>%n file could not be found and got the mark "absent". What the library keeps stays.</numerusform><numerusform>%n files could not be found and got the mark "absent". What the library keeps stays.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>The library has followed %n file(s).</source>
        <translation><numerusform>The library has followed %n file.</numerusform><numerusform>The library has followed %n files.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) on the shelves came or were changed by others.</source>
        <translation><numerusform>%n file on the shelves came or were changed by others.</numerusform><numerusform>%n files on the shelves came or were changed by others.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) that were absent are there again.</source>
        <translation><numerusform>%n file that were absent are there again.</numerusform><numerusform>%n files that were absent are there again.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveChooser</name>
    <message numerus="yes">
        <source>Put %n file(s) into a sleeve</source>
        <translation><numerusform>Put %n file into a sleeve</numerusform><numerusform>Put %n files into a sleeve</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveGrid</name>
    <message numerus="yes">
        <source>%n track(s)</source>
        <translation><numerusform>%n track</numerusform><numerusform>%n tracks</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveTools</name>
    <message numerus="yes">
        <source>Name of the sleeve of %n file(s):</source>
        <translation><numerusform>Name of the sleeve of %n file:</numerusform><numerusform>Name of the sleeve of %n files:</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%1: into %n sleeve(s)</source>
        <translation><numerusform>%1: into %n sleeve</numerusform><numerusform>%1: into %n sleeves</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SleeveViews</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n artist(s)</source>
        <translation><numerusform>%n artist</numerusform><numerusform>%n artists</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundGroupList</name>
    <message numerus="yes">
        <source>%n file(s)</source>
        <translation><numerusform>%n file</numerusform><numerusform>%n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SoundGroupsController</name>
    <message numerus="yes">
        <source>Keep %1, %n other(s) to the trash</source>
        <translation><numerusform>Keep %1, %n other to the trash</numerusform><numerusform>Keep %1, %n others to the trash</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SourcePicker</name>
    <message numerus="yes">
        <source>%n edition(s)</source>
        <translation><numerusform>%n edition</numerusform><numerusform>%n editions</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n track(s) read</source>
        <translation><numerusform>%n track read</numerusform><numerusform>%n tracks read</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n line(s) left out</source>
        <translation><numerusform>%n line left out</numerusform><numerusform>%n lines left out</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::SpellingHint</name>
    <message numerus="yes">
        <source>%1: “%2” is nearly “%3”, which is used %n time(s).</source>
        <translation><numerusform>%1: “%2” is nearly “%3”, which is used %n time.</numerusform><numerusform>%1: “%2” is nearly “%3”, which is used %n times.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StepsDialog</name>
    <message numerus="yes">
        <source>Nothing would change in %n file(s)</source>
        <translation><numerusform>Nothing would change in %n file</numerusform><numerusform>Nothing would change in %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n value(s)</source>
        <translation><numerusform>%n value</numerusform><numerusform>%n values</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>in %n file(s) will be drafts</source>
        <translation><numerusform>in %n file will be drafts</numerusform><numerusform>in %n files will be drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n cannot be</source>
        <translation><numerusform>%n cannot be</numerusform><numerusform>%n cannot be</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StrayIdentifier</name>
    <message numerus="yes">
        <source>Take %n stray(s)</source>
        <translation><numerusform>Take %n stray</numerusform><numerusform>Take %n strays</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::StrayList</name>
    <message numerus="yes">
        <source>Take %n as drafts</source>
        <translation><numerusform>Take %n as drafts</numerusform><numerusform>Take %n as drafts</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n stray(s). Those that are taken go to the sleeve of their release.</source>
        <translation><numerusform>%n stray. Those that are taken go to the sleeve of their release.</numerusform><numerusform>%n strays. Those that are taken go to the sleeve of their release.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TakeFixesDialog</name>
    <message numerus="yes">
        <source>As drafts: %n fix(es). Nothing is written yet.</source>
        <translation><numerusform>As drafts: %n fix. Nothing is written yet.</numerusform><numerusform>As drafts: %n fixes. Nothing is written yet.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::TroubleBox</name>
    <message numerus="yes">
        <source>for %n file(s)</source>
        <translation><numerusform>for %n file</numerusform><numerusform>for %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) chosen</source>
        <translation><numerusform>%n file chosen</numerusform><numerusform>%n files chosen</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>for the whole release: %n file(s)</source>
        <translation><numerusform>for the whole release: %n file</numerusform><numerusform>for the whole release: %n files</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WorksPage</name>
    <message numerus="yes">
        <source>%n work(s)</source>
        <translation><numerusform>%n work</numerusform><numerusform>%n works</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n recording(s)</source>
        <translation><numerusform>%n recording</numerusform><numerusform>%n recordings</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n new work(s). Ctrl+Z takes them back.</source>
        <translation><numerusform>%n new work. Ctrl+Z takes them back.</numerusform><numerusform>%n new works. Ctrl+Z takes them back.</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WorseFiles</name>
    <message numerus="yes">
        <source>Replace %n file(s) by %1</source>
        <translation><numerusform>Replace %n file by %1</numerusform><numerusform>Replace %n files by %1</numerusform></translation>
    </message>
</context>
<context>
    <name>moorfrost::app::WritingController</name>
    <message numerus="yes">
        <source>Write tags of %n file(s)</source>
        <translation><numerusform>Write tags of %n file</numerusform><numerusform>Write tags of %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Put away copies of %n file(s)</source>
        <translation><numerusform>Put away copies of %n file</numerusform><numerusform>Put away copies of %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Put away %n file(s)</source>
        <translation><numerusform>Put away %n file</numerusform><numerusform>Put away %n files</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) left as before.</source>
        <translation><numerusform>%n file left as before.</numerusform><numerusform>%n files left as before.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>Stopped: %n file(s) were not begun.</source>
        <translation><numerusform>Stopped: %n file were not begun.</numerusform><numerusform>Stopped: %n files were not begun.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) taken back.</source>
        <translation><numerusform>%n file taken back.</numerusform><numerusform>%n files taken back.</numerusform></translation>
    </message>
    <message numerus="yes">
        <source>%n file(s) could not be: %1</source>
        <translation><numerusform>%n file could not be: %1</numerusform><numerusform>%n files could not be: %1</numerusform></translation>
    </message>
</context>
</TS>
