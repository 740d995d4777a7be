// SPDX-License-Identifier: GPL-3.0-or-later
// Real files of every format for tests, and an independent reader.
#pragma once

#include <QByteArray>
#include <QJsonObject>

#include <map>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::test {

/// A folder that is gone after the test.
class Sandbox {
public:
    /// `inMemory`: on a disk that needs no waiting for flushes, where there is one.
    explicit Sandbox(bool inMemory = false);
    ~Sandbox(); // Qt cannot remove names that are not UTF-8
    Sandbox(const Sandbox&) = delete;
    Sandbox& operator=(const Sandbox&) = delete;
    const Path& root() const { return root_; }
    Path operator/(const std::string& name) const { return root_ / name; }

private:
    Path root_;
};

/// The endings of the seven formats that everything is tested with.
const std::vector<std::string>& endings();
/// A short sound of its own kind for each `seed`, as `folder`/`name`, the format by the ending of the name.
Path makeSound(const Path& folder, const std::string& name, uint32_t seed = 1);
/// Writes tags with the core, straight into the file.
void tag(const Path& file, const tags::Fields& fields);

void writeBytes(const Path& file, const std::string& bytes);
std::string readBytes(const Path& file);

/// What ffprobe says of the file: names in lower case, of the container and its first stream.
std::map<std::string, std::string> probeTags(const Path& file);
QJsonObject probe(const Path& file);

/// What a second library, mutagen, says of the file.
tags::Fields secondReader(const Path& file);
/// All that it says of each file, in this order: "fields", "length", "sample_rate", "channels", or "error".
std::vector<QJsonObject> secondReader(const std::vector<Path>& files);
/// A list of texts of a JSON object.
tags::Fields fieldsFrom(const QJsonObject& object);
/// A checksum of the sound as FFmpeg decodes it; empty if it has anything to complain of.
std::string decodedSound(const Path& file);

inline std::string str(const QByteArray& b) {
    return b.toStdString();
}

} // namespace moorfrost::test

#define QVERIFY_RESULT(result) QVERIFY2((result), (result) ? "" : (result).error().message.c_str())
