// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>

#include "core/base/memory.h"
#include "core/library/search/built_field.h"
#include "core/library/search/columns.h"
#include "core/library/search/parts.h"
#include "core/library/search/row_words.h"
#include "core/library/store/family_table.h"
#include "core/tags/packed.h"
#include "core/work/parallel.h"

namespace moorfrost::library {

namespace {

constexpr Row large = 100000; // from here on memory is spared; below that it would only take time

/// As one text; `space`: where it is put together, if that is needed.
std::string_view joined(std::span<const std::string_view> values, std::string& space) {
    if (values.size() == 1)
        return values.front();
    space.clear();
    for (std::string_view v : values) {
        if (!space.empty())
            space += BuiltField::between;
        space += v;
    }
    return space;
}

} // namespace

struct ColumnsBuilder::Impl {
    Path snapshot;
    std::string revision;
    std::shared_ptr<Spool> spool;
    std::map<std::string, BuiltField, std::less<>> fields;
    Spooled<FileId> ids;
    Spooled<float> durations;
    Spooled<uint64_t> sizes;
    Spooled<uint32_t> added, rates, bitrates, shelves;
    Spooled<uint8_t> channels, bits, flags;
    tags::PackedView view; // of the record that is added; kept for its memory
    std::string list;      // likewise

    Row rows() const { return static_cast<Row>(ids.size()); }
    void set(std::string_view key, std::string_view list) {
        auto it = fields.find(key);
        if (it == fields.end())
            it = fields.try_emplace(std::string(key), key).first;
        it->second.set(rows() - 1, list, *spool);
    }
    void setKept(std::string_view packed);
    /// Gives back what is not needed for the moment.
    void rest(const Spool::View* view = nullptr) const;
    void workOut(files::ArenaWriter& out);
    void rank(BuiltField& field, const Spool::View& view);
    std::vector<Row> baseOrder(const Spool::View& view);
    files::ArenaWriter parts();
};

ColumnsBuilder::ColumnsBuilder() : impl_(std::make_unique<Impl>()) {
    impl_->spool = std::make_shared<Spool>();
}

ColumnsBuilder::ColumnsBuilder(const Path& snapshot, const std::string& revision)
    : impl_(std::make_unique<Impl>()) {
    impl_->spool = std::make_shared<Spool>(snapshot);
    impl_->snapshot = snapshot;
    impl_->revision = revision;
}

ColumnsBuilder::~ColumnsBuilder() = default;

size_t ColumnsBuilder::size() const {
    return impl_->ids.size();
}

void ColumnsBuilder::add(const FileRecord& file) {
    const std::string content = tags::packed(file.tags);
    KeptOfRecording kept = file.kept;
    if (!file.kind.empty())
        kept[kindField] = {file.kind};
    const std::string packed = packKept(kept);
    add(PackedRecord{file.id, file.path.native(), file.state.size, file.readable(), file.shelf, file.added,
                     content, packed, file.absent != 0, file.state.modifiedNs});
}

void ColumnsBuilder::add(const PackedRecord& file) {
    Impl& m = *impl_;
    tags::PackedView& v = m.view;
    v.read(file.content);
    m.ids.add(file.id, *m.spool);
    m.durations.add(static_cast<float>(v.duration), *m.spool);
    m.sizes.add(file.size, *m.spool);
    m.added.add(static_cast<uint32_t>(file.added), *m.spool);
    m.rates.add(static_cast<uint32_t>(v.sampleRate), *m.spool);
    m.bitrates.add(static_cast<uint32_t>(v.bitrate), *m.spool);
    m.shelves.add(static_cast<uint32_t>(file.shelf), *m.spool);
    m.channels.add(static_cast<uint8_t>(std::clamp(v.channels, 0, 255)), *m.spool);
    m.bits.add(static_cast<uint8_t>(std::clamp(v.bitDepth, 0, 255)), *m.spool);
    m.flags.add(
        static_cast<uint8_t>((v.damaged ? Damaged : 0) | (file.readable ? 0 : Unreadable) |
                             (file.readable && v.readOnly ? ReadOnly : 0) |
                             (v.rateKind == tags::RateKind::Variable && v.bitDepth == 0 ? Variable : 0) |
                             (v.pictures == 0 ? 0 : HasPicture) | (file.absent ? Absent : 0)),
        *m.spool);
    for (const tags::PackedView::Field& f : v.fields)
        m.set(f.key, joined({v.values.data() + f.first, f.count}, m.list));
    // Of the path only the bytes are taken apart: making paths of them is slow.
    const size_t slash = file.path.rfind('/');
    const bool bare = slash == std::string_view::npos;
    m.set(fileNameColumn, file.path.substr(bare ? 0 : slash + 1));
    m.set(folderColumn, bare ? std::string_view() : file.path.substr(0, std::max<size_t>(slash, 1)));
    if (file.readable) {
        m.set(formatNameColumn, v.format);
        if (!v.codec.empty())
            m.set(codecColumn, v.codec);
    }
    m.setKept(file.kept);
    if (!v.differing.empty()) {
        std::vector<std::string_view> keys;
        for (std::string_view key : v.differing)
            if (std::find(keys.begin(), keys.end(), key) == keys.end())
                keys.push_back(key);
        m.set(differsColumn, joined(keys, m.list));
    }
}

void ColumnsBuilder::Impl::setKept(std::string_view packed) {
    if (packed.empty()) { // nearly all
        set(kindColumn, "music");
        return;
    }
    const KeptOfRecording kept = unpackKept(packed);
    auto first = [&](const char* field) {
        const auto it = kept.find(field);
        return it == kept.end() ? std::string_view() : std::string_view(it->second.front());
    };
    set(kindColumn, first(kindField).empty() ? "music" : first(kindField));
    for (const auto& [field, column] :
         {std::pair(ratingField, ratingColumn), {noteField, noteColumn}, {playoutField, playoutColumn}})
        if (!first(field).empty())
            set(column, first(field));
    if (const auto marks = kept.find(bookmarkField); marks != kept.end()) {
        std::vector<std::string> told;
        for (const Bookmark& mark : bookmarksFrom(marks->second))
            if (!mark.text.empty() && std::ranges::find(told, mark.text) == told.end())
                told.push_back(mark.text);
        // One without a text counts, too: it is there.
        if (told.empty())
            told.emplace_back("\u2022");
        const std::vector<std::string_view> views(told.begin(), told.end());
        set(bookmarkColumn, joined(views, list));
    }
    if (const auto family = kept.find(familyField); family != kept.end() && family->second.size() > 1) {
        const std::vector<std::string>& said = family->second; // the family, the kind, details, the place
        set(familyColumn, said[0]);
        std::vector<std::string_view> version{said[1]};
        if (said.size() > 2 && !said[2].empty())
            version.push_back(said[2]);
        set(versionColumn, joined(version, list));
    }
    const auto uses = kept.find(useField);
    if (uses == kept.end())
        return;
    std::vector<std::string> told;
    std::string latest;
    for (const Use& use : usesFrom(uses->second)) {
        latest = std::max(latest, use.date);
        for (const std::string& part : {use.what, use.where})
            if (!part.empty() && std::ranges::find(told, part) == told.end())
                told.push_back(part);
    }
    const std::vector<std::string_view> views(told.begin(), told.end());
    set(usedColumn, joined(views, list));
    if (!latest.empty())
        set(lastUsedColumn, latest);
}

void ColumnsBuilder::Impl::rank(BuiltField& f, const Spool::View& view) {
    // An artist is sorted by the sort form that one of its tracks tells.
    std::vector<std::string> instead;
    auto form = fields.find(f.key + "_sort");
    if (form != fields.end()) {
        instead.resize(f.listCount());
        const Texts values = form->second.values(view);
        RowNumbers::Reader lists(f.lists, view), forms(form->second.lists, view);
        for (Row row = 0; row < rows(); ++row)
            if (uint32_t s = forms.at(row); s != 0)
                if (uint32_t l = lists.at(row); instead[l].empty())
                    instead[l] = form->second.textOf(s, values);
    }
    f.rank(instead, view);
    rest(&view);
}

void ColumnsBuilder::Impl::rest(const Spool::View* view) const {
    if (rows() < large)
        return;
    if (view)
        view->letGo();
    giveBackMemory();
}

void ColumnsBuilder::Impl::workOut(files::ArenaWriter& out) {
    std::vector<BuiltField*> all;
    for (auto& [key, f] : fields)
        all.push_back(&f);
    // The longest first, so that no processor is left with it at the end. A few at a time: while they are
    // sorted each takes several times the memory of its texts.
    std::sort(all.begin(), all.end(), [](auto* a, auto* b) { return a->texts.size() > b->texts.size(); });
    const unsigned threads = std::min(work::threadsFor(0), 3u);
    work::inParallel(
        all.size(), [&](size_t i) { all[i]->split(*spool); }, threads);
    rest();
    const Spool::View view(*spool);
    work::inParallel(
        all.size() + 1,
        [&](size_t i) {
            if (i > 0) {
                rank(*all[i - 1], view);
                return;
            }
            RowWords words;
            for (BuiltField* f : all)
                if (!isAskedByNameOnly(f->key)) {
                    words.add(*f, view);
                    rest(&view);
                }
            words.finish(rows(), view, out);
        },
        threads);
    out.add(part::baseOrder, 0, baseOrder(view));
}

std::vector<Row> ColumnsBuilder::Impl::baseOrder(const Spool::View& view) {
    struct Key {
        uint32_t album, artist, disc, track, name;
        Row row;
        auto operator<=>(const Key&) const = default;
    };
    std::vector<Key> keys(rows());
    auto put = [&](const char* key, uint32_t Key::*where) {
        auto it = fields.find(key);
        if (it == fields.end())
            return;
        RowNumbers::Reader lists(it->second.lists, view);
        for (Row row = 0; row < rows(); ++row)
            keys[row].*where = it->second.ranks[lists.at(row)];
    };
    put("album", &Key::album);
    put("album_artist", &Key::artist);
    put("disc", &Key::disc);
    put("track", &Key::track);
    put(fileNameColumn, &Key::name);
    for (Row row = 0; row < rows(); ++row) {
        keys[row].row = row;
        if (keys[row].album == 0) // behind all others
            keys[row].album = UINT32_MAX;
    }
    std::sort(keys.begin(), keys.end());
    std::vector<Row> order;
    order.reserve(keys.size());
    for (const Key& k : keys)
        order.push_back(k.row);
    return order;
}

std::shared_ptr<const Columns> ColumnsBuilder::finish() {
    std::unique_ptr<Impl> m = std::exchange(impl_, std::make_unique<Impl>());
    impl_->spool = std::make_shared<Spool>();
    files::ArenaWriter all = m->parts();
    m->rest();
    std::shared_ptr<const files::Arena> arena;
    if (!m->snapshot.empty() && all.save(m->snapshot, m->revision))
        arena = files::Arena::map(m->snapshot, m->revision);
    if (!arena)
        arena = all.finish();
    all = {};
    if (m->rows() >= large) {
        m.reset();
        giveBackMemory();
    }
    return std::make_shared<Columns>(arena);
}

files::ArenaWriter ColumnsBuilder::Impl::parts() {
    files::ArenaWriter out;
    workOut(out);
    // Keeps what the pieces lie in.
    struct Kept {
        explicit Kept(std::shared_ptr<Spool> s) : spool(std::move(s)) {}
        std::shared_ptr<Spool> spool;
        Spool::View view{*spool};
        std::vector<std::vector<uint32_t>> numbers = {};
    };
    auto kept = std::make_shared<Kept>(spool);
    const std::function<void()> letGo = [view = &kept->view] { view->letGo(); };
    std::string keys;
    std::vector<uint32_t> keyStarts{0};
    uint32_t n = 0;
    for (auto& [key, f] : fields) {
        keys += key;
        keyStarts.push_back(static_cast<uint32_t>(keys.size()));
        if (f.lists.filled() * 8 < rows()) {
            std::vector<uint32_t> some, lists;
            f.lists.each(kept->view, [&](Row row, uint32_t list) {
                some.push_back(row);
                lists.push_back(list);
            });
            out.add(part::some, n, std::move(some));
            out.add(part::lists, n, std::move(lists));
        } else {
            out.add(part::lists, n, f.lists.pieces(rows(), kept->view, kept->numbers), kept, letGo);
        }
        out.add(part::listStarts, n, std::move(f.listStarts));
        out.add(part::listValues, n, std::move(f.listValues));
        out.add(part::valueStarts, n, std::move(f.valueStarts));
        out.add(part::valueBytes, n, {kept->view[f.valueBytes]}, kept, letGo);
        if (!f.odd.empty()) {
            out.add(part::odd, n, std::move(f.odd));
            out.add(part::oddStarts, n, std::move(f.oddStarts));
            out.add(part::oddBytes, n, std::move(f.oddBytes));
        }
        out.add(part::ranks, n, std::move(f.ranks));
        ++n;
    }
    out.add(part::keys, 0, std::move(keys));
    out.add(part::keyStarts, 0, std::move(keyStarts));
    auto addFacts = [&](uint32_t kind, auto& facts) {
        auto own =
            std::make_shared<std::pair<std::shared_ptr<Kept>, std::remove_reference_t<decltype(facts)>>>(
                kept, std::move(facts));
        out.add(kind, 0, own->second.pieces(kept->view), own, letGo);
    };
    addFacts(part::ids, ids);
    addFacts(part::durations, durations);
    addFacts(part::sizes, sizes);
    addFacts(part::added, added);
    addFacts(part::rates, rates);
    addFacts(part::bitrates, bitrates);
    addFacts(part::channels, channels);
    addFacts(part::bits, bits);
    addFacts(part::flags, flags);
    addFacts(part::shelves, shelves);
    return out;
}

} // namespace moorfrost::library
