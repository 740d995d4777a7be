// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sound/store.h"

#include <algorithm>
#include <cstring>
#include <fstream>
#include <mutex>

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>
#include <xxhash.h>

#include "core/base/log.h"
#include "core/files/io.h"

namespace moorfrost::sound {

namespace {

constexpr const char* revision = "sounds 1";
constexpr char magic[8] = {'m', 'f', 'p', 'r', 'i', 'n', 't', '1'};
constexpr size_t headSize = 32; // magic, id, number of items, checksum of id, number and items
constexpr size_t worthFolding = 2000;

uint64_t checksumOf(int64_t id, const uint32_t* items, uint64_t count) {
    XXH3_state_t* state = XXH3_createState();
    XXH3_64bits_reset(state);
    XXH3_64bits_update(state, &id, sizeof id);
    XXH3_64bits_update(state, &count, sizeof count);
    XXH3_64bits_update(state, items, count * sizeof(uint32_t));
    const uint64_t out = XXH3_64bits_digest(state);
    XXH3_freeState(state);
    return out;
}

} // namespace

SoundStore::SoundStore(Path file) : file_(std::move(file)) {}

Path SoundStore::logOf(const Path& file) {
    Path out = file;
    out += ".new";
    return out;
}

void SoundStore::open() {
    if (open_)
        return;
    open_ = true;
    index_ = SoundIndex::open(file_, revision);
    readLog();
}

void SoundStore::readLog() {
    std::ifstream in(logOf(file_), std::ios::binary);
    char head[headSize];
    while (in.read(head, headSize)) {
        int64_t id = 0;
        uint64_t count = 0, sum = 0;
        std::memcpy(&id, head + 8, 8);
        std::memcpy(&count, head + 16, 8);
        std::memcpy(&sum, head + 24, 8);
        if (std::memcmp(head, magic, sizeof magic) != 0 || count > 10'000'000)
            break;
        std::vector<uint32_t> items(count);
        if (!in.read(reinterpret_cast<char*>(items.data()), static_cast<std::streamsize>(count * 4)) ||
            checksumOf(id, items.data(), count) != sum)
            break;
        since_[id] = count == 0 ? nullptr : std::make_shared<const std::vector<uint32_t>>(std::move(items));
        logSize_ += headSize + count * 4;
    }
}

bool SoundStore::isKept(int64_t id) const {
    if (const auto it = since_.find(id); it != since_.end())
        return it->second != nullptr;
    return index_ && index_->placeOf(id);
}

Status SoundStore::append(const std::vector<Print>& prints) {
    std::string bytes;
    for (const Print& p : prints) {
        const uint64_t count = p.items.size(), sum = checksumOf(p.id, p.items.data(), count);
        bytes.append(magic, sizeof magic);
        bytes.append(reinterpret_cast<const char*>(&p.id), 8);
        bytes.append(reinterpret_cast<const char*>(&count), 8);
        bytes.append(reinterpret_cast<const char*>(&sum), 8);
        bytes.append(reinterpret_cast<const char*>(p.items.data()), count * 4);
    }
    const Path log = logOf(file_);
    int fd = ::open(log.c_str(), O_RDWR | O_CLOEXEC);
    if (fd < 0) {
        if (int error = files::io::create(log, fd); error != 0)
            return systemError(error, log, "Keeping fingerprints");
        logSize_ = 0;
    }
    ::flock(fd, LOCK_EX); // until it is closed
    struct stat st {};
    int error = ::fstat(fd, &st) == 0 ? 0 : errno;
    if (error == 0 && static_cast<uint64_t>(st.st_size) != logSize_) {
        // Another program has written, or folded it; or it breaks off.
        index_ = SoundIndex::open(file_, revision);
        logSize_ = 0;
        readLog();
        if (static_cast<uint64_t>(st.st_size) > logSize_)
            error = files::io::truncate(fd, logSize_);
    }
    if (error == 0)
        error = files::io::write(fd, logSize_, bytes.data(), bytes.size());
    ::close(fd);
    if (error != 0)
        return systemError(error, log, "Keeping fingerprints");
    logSize_ += bytes.size();
    return Done{};
}

Status SoundStore::add(std::vector<Print> prints) {
    std::unique_lock lock(mutex_);
    open();
    Status kept = append(prints);
    for (Print& p : prints)
        since_[p.id] =
            p.items.empty() ? nullptr : std::make_shared<const std::vector<uint32_t>>(std::move(p.items));
    recent_ = nullptr;
    return kept;
}

std::shared_ptr<const SoundIndex> SoundStore::recent() {
    if (!recent_) {
        SoundIndexBuilder builder;
        for (const auto& [id, items] : since_)
            if (items)
                builder.add(id, *items, items);
        recent_ = builder.finish();
    }
    return recent_;
}

bool SoundStore::has(int64_t id) {
    std::unique_lock lock(mutex_);
    open();
    return isKept(id);
}

std::vector<uint32_t> SoundStore::itemsOf(int64_t id) {
    std::unique_lock lock(mutex_);
    open();
    if (const auto it = since_.find(id); it != since_.end())
        return it->second ? *it->second : std::vector<uint32_t>();
    const auto place = index_ ? index_->placeOf(id) : std::nullopt;
    if (!place)
        return {};
    const auto items = index_->itemsAt(*place);
    return {items.begin(), items.end()};
}

std::vector<Hit> SoundStore::find(std::span<const uint32_t> items, double least, size_t most) {
    std::shared_ptr<const SoundIndex> index, recent;
    {
        std::unique_lock lock(mutex_);
        open();
        index = index_;
        recent = this->recent();
    }
    std::vector<Hit> out = recent->find(items, least, most);
    if (index) {
        const std::vector<Hit> older = index->find(items, least, most + 8);
        std::shared_lock lock(mutex_);
        for (const Hit& h : older)
            if (!since_.contains(h.id)) // else it is another by now
                out.push_back(h);
    }
    std::ranges::stable_sort(out, [](const Hit& a, const Hit& b) { return a.overlap.z > b.overlap.z; });
    if (out.size() > most)
        out.resize(most);
    return out;
}

size_t SoundStore::size() {
    return ids().size();
}

std::vector<int64_t> SoundStore::ids() {
    std::unique_lock lock(mutex_);
    open();
    std::vector<int64_t> out;
    if (index_)
        for (int64_t id : index_->ids())
            if (!since_.contains(id))
                out.push_back(id);
    for (const auto& [id, items] : since_)
        if (items)
            out.push_back(id);
    std::ranges::sort(out);
    return out;
}

Status SoundStore::fold(bool always) {
    std::shared_ptr<const SoundIndex> index;
    std::unordered_map<int64_t, Items> since;
    {
        std::unique_lock lock(mutex_);
        open();
        if (since_.empty() ||
            (!always && since_.size() < std::max(worthFolding, index_ ? index_->size() / 20 : 0)))
            return Done{};
        index = index_;
        since = since_;
    }
    // Nobody waits meanwhile; what comes now stays in the log.
    SoundIndexBuilder builder;
    if (index)
        for (size_t place = 0; place < index->size(); ++place)
            if (!since.contains(index->ids()[place]))
                builder.add(index->ids()[place], index->itemsAt(place), index);
    for (const auto& [id, items] : since)
        if (items)
            builder.add(id, *items, items);
    if (Status s = builder.save(file_, revision); !s)
        return s;
    auto fresh = SoundIndex::open(file_, revision);
    if (!fresh)
        return Error{ErrorKind::Io, file_, "The fingerprints that were just kept cannot be read again."};
    std::unique_lock lock(mutex_);
    index_ = std::move(fresh);
    for (const auto& [id, items] : since)
        if (const auto it = since_.find(id); it != since_.end() && it->second == items)
            since_.erase(it);
    recent_ = nullptr;
    // The log is begun anew, with what came meanwhile. After a crash before this it only says what is in the
    // index; after one in the middle of it, what came meanwhile is listened to again.
    std::vector<Print> left;
    for (const auto& [id, items] : since_)
        left.push_back({id, items ? *items : std::vector<uint32_t>()});
    logSize_ = 0;
    if (const int error = files::io::unlink(logOf(file_)); error != 0 && error != ENOENT)
        return systemError(error, logOf(file_), "Keeping fingerprints");
    return left.empty() ? Status(Done{}) : append(left);
}

} // namespace moorfrost::sound
