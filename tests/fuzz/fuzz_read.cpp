// SPDX-License-Identifier: GPL-3.0-or-later
// libFuzzer on everything that reads what a stranger wrote. "--what=NAME" chooses: "read" (reading and
// editing of a file, of the format that the seeds are of), "essence", "pictures", "plan", "encodings",
// "messages".
#include <cstdint>
#include <cstdlib>
#include <new>
#include <string>
#include <string_view>

#include "core/audio/essence.h"
#include "core/audio/sound_parts.h"
#include "core/library/search/query.h"
#include "core/naming/plan.h"
#include "core/sandbox/messages.h"
#include "core/tags/picture.h"
#include "core/tags/tag_io.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

#include <sys/mman.h>
#include <unistd.h>

using namespace moorfrost;

namespace {

std::string what = "read"; // NOLINT: chosen once, at the start

/// The bytes as a file.
Path asFile(std::string_view bytes) {
    static const int fd = ::memfd_create("file", 0);
    static const Path path = "/proc/self/fd/" + std::to_string(fd);
    if (::ftruncate(fd, 0) != 0 || ::pwrite(fd, bytes.data(), bytes.size(), 0) < 0)
        std::abort();
    return path;
}

void readAndEdit(std::string_view bytes) {
    Path file = asFile(bytes);
    auto read = tags::readTags(file);
    if (!read)
        return;
    tags::likelyEncoding(read->fields);
    auto edit = tags::makeEdit(file, {{"title", {"Gorse"}}, {"mood", {}}});
    if (!edit)
        return;
    if (tags::firstValue(edit->after, "title") != "Gorse")
        std::abort();
    if (!tags::confirm(*edit) || edit->how == CommitClass::Nothing)
        return;
    // What is to be written has the same sound.
    auto before = audio::essenceOf(*edit->original, edit->format);
    RecipeSource changed(*edit->original, edit->recipe);
    auto after = audio::essenceOf(changed, edit->format);
    if (before && (!after || before->hash != after->hash))
        std::abort();
}

class Bytes : public ByteSource {
public:
    explicit Bytes(std::string_view bytes) : bytes_(bytes) {}
    uint64_t size() const override { return bytes_.size(); }
    size_t read(uint64_t offset, char* into, size_t n) const override {
        if (offset >= bytes_.size())
            return 0;
        return bytes_.copy(into, n, static_cast<size_t>(offset));
    }

private:
    std::string_view bytes_;
};

void essence(std::string_view bytes) {
    auto format = static_cast<audio::Format>(static_cast<uint8_t>(bytes[0]) % (int(audio::lastFormat) + 1));
    Bytes source(bytes.substr(1));
    audio::essenceOf(source, format);
    audio::whyCutShort(source, format, true);
    audio::detectFormat(source);
    audio::framesStart(source);
}

void messages(std::string_view bytes) {
    sandbox::resultFrom<tags::TagFile>(bytes, sandbox::takeTagFile);
    sandbox::resultFrom<tags::Picture>(bytes, sandbox::takePicture);
    auto edit = sandbox::resultFrom<tags::PreparedEdit>(bytes, sandbox::takeEdit);
    if (edit && *edit)
        isSound((*edit)->recipe, 1000);
}

void query(std::string_view bytes) {
    auto parsed = library::parseQuery(bytes);
    if (parsed.error && (parsed.error->from > parsed.error->to || parsed.error->to > bytes.size()))
        std::abort();
    library::chipsOf(parsed.query);
    library::withChosen(std::string(bytes), "genre", "Folk");
}

void encodings(std::string_view bytes) {
    std::string text(bytes);
    if (!text::isUtf8(text))
        return;
    std::string encoding = text::likelyEncoding({text});
    if (!encoding.empty() && !text::readAgainAs(text, encoding))
        std::abort(); // what is proposed must be possible
}

} // namespace

extern "C" int LLVMFuzzerInitialize(int* argc, char*** argv);
int LLVMFuzzerInitialize(int* argc, char*** argv) {
    for (int i = 1; i < *argc; ++i)
        if (std::string_view a = (*argv)[i]; a.starts_with("--what="))
            what = a.substr(7);
    return 0;
}

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size);
int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    std::string_view bytes(reinterpret_cast<const char*>(data), size);
    if (bytes.empty())
        return 0;
    try {
        if (what == "essence") {
            essence(bytes);
        } else if (what == "pictures") {
            tags::pictureMime(bytes);
            tags::pictureSize(bytes);
        } else if (what == "plan") {
            if (std::string plan(bytes); text::isUtf8(plan))
                naming::parsePlan(plan, {});
        } else if (what == "encodings") {
            encodings(bytes);
        } else if (what == "query") {
            query(bytes);
        } else if (what == "messages") {
            messages(bytes);
        } else {
            readAndEdit(bytes);
        }
    } catch (const std::bad_alloc&) { // ends the reading process, and is told
    }
    return 0;
}
