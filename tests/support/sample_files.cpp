// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/sample_files.h"
#include "support/places.h"

#include <cstdlib>
#include <fstream>
#include <mutex>

#include <QJsonArray>
#include <QJsonDocument>
#include <QProcess>

#include "core/tags/tag_io.h"
#include "demo/encode.h"
#include "demo/synth.h"

#include <unistd.h>

namespace moorfrost::test {

Sandbox::Sandbox(bool inMemory) {
    Path folder = std::filesystem::canonical(std::filesystem::temp_directory_path());
    if (inMemory && ::access("/dev/shm", W_OK) == 0)
        folder = "/dev/shm";
    std::string name = folder.native() + "/moorfrost-test-XXXXXX";
    if (!::mkdtemp(name.data()))
        qFatal("no temporary folder");
    root_ = name;
}

Sandbox::~Sandbox() {
    std::error_code ignored;
    std::filesystem::remove_all(root_, ignored);
}

const std::vector<std::string>& endings() {
    static const std::vector<std::string> list = {".mp3", ".flac", ".ogg", ".opus", ".m4a", ".wav", ".aiff"};
    return list;
}

void writeBytes(const Path& file, const std::string& bytes) {
    std::filesystem::create_directories(file.parent_path());
    std::ofstream(file, std::ios::binary) << bytes;
}

std::string readBytes(const Path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

Path makeSound(const Path& folder, const std::string& name, uint32_t seed) {
    static std::mutex mutex;
    static std::map<std::pair<std::string, uint32_t>, std::string> made;
    std::lock_guard lock(mutex);
    std::string ending = Path(name).extension();
    std::string& bytes = made[{ending, seed}];
    Path target = folder / name;
    if (bytes.empty()) {
        Path scratch = folder / ("scratch" + ending);
        std::filesystem::create_directories(folder);
        if (Status s =
                demo::encodeSound(demo::synthesise({seed, 1.5, demo::Sound::Band, 1.0}), scratch, 96000);
            !s)
            qFatal("%s", s.error().message.c_str());
        bytes = readBytes(scratch);
        std::filesystem::remove(scratch);
    }
    writeBytes(target, bytes);
    return target;
}

void tag(const Path& file, const tags::Fields& fields) {
    auto edit = tags::prepareEdit(file, fields);
    if (!edit)
        qFatal("%s", edit.error().message.c_str());
    std::string bytes = edit->bytes();
    edit->original.reset();
    writeBytes(file, bytes);
}

namespace {
QByteArray outputOf(const QString& program, const QStringList& arguments, bool& clean) {
    QProcess process;
    process.start(program, arguments);
    if (!process.waitForFinished(60000))
        qFatal("%s did not finish", qPrintable(program));
    QByteArray complaints = process.readAllStandardError();
    clean = process.exitCode() == 0 && complaints.isEmpty();
    if (!clean)
        qWarning("%s", complaints.constData());
    return process.readAllStandardOutput();
}
} // namespace

tags::Fields secondReader(const Path& file) {
    bool clean = false;
    QByteArray json = outputOf("/usr/bin/python3",
                               {QString::fromStdString(inSources("tests/support/second_reader.py").native()),
                                "--fields", QString::fromStdString(file.native())},
                               clean);
    return fieldsFrom(QJsonDocument::fromJson(json).object());
}

std::vector<QJsonObject> secondReader(const std::vector<Path>& files) {
    QProcess process;
    process.start("/usr/bin/python3",
                  {QString::fromStdString(inSources("tests/support/second_reader.py").native()), "-"});
    process.waitForStarted();
    for (const Path& file : files)
        process.write(QByteArray::fromStdString(file.native() + "\n"));
    process.closeWriteChannel();
    if (!process.waitForFinished(120000))
        qFatal("the second reader did not finish");
    std::vector<QJsonObject> out;
    for (const QByteArray& line : process.readAllStandardOutput().split('\n'))
        if (!line.isEmpty())
            out.push_back(QJsonDocument::fromJson(line).object());
    return out;
}

tags::Fields fieldsFrom(const QJsonObject& object) {
    tags::Fields fields;
    for (auto it = object.begin(); it != object.end(); ++it)
        for (const QJsonValue& v : it.value().toArray())
            fields[it.key().toStdString()].push_back(v.toString().toStdString());
    return fields;
}

std::string decodedSound(const Path& file) {
    bool clean = false;
    QByteArray sum = outputOf("ffmpeg",
                              {"-v", "error", "-i", "file:" + QString::fromStdString(file.native()), "-map",
                               "0:a", "-f", "md5", "-"},
                              clean);
    return clean ? sum.toStdString() : std::string();
}

QJsonObject probe(const Path& file) {
    QProcess ffprobe;
    ffprobe.start("ffprobe", {"-v", "quiet", "-print_format", "json", "-show_format", "-show_streams",
                              "file:" + QString::fromStdString(file.native())});
    if (!ffprobe.waitForFinished(30000))
        qFatal("ffprobe is needed for the tests");
    return QJsonDocument::fromJson(ffprobe.readAllStandardOutput()).object();
}

std::map<std::string, std::string> probeTags(const Path& file) {
    std::map<std::string, std::string> out;
    QJsonObject all = probe(file);
    for (const QJsonObject& tags : {all["streams"].toArray().at(0).toObject()["tags"].toObject(),
                                    all["format"].toObject()["tags"].toObject()})
        for (auto it = tags.begin(); it != tags.end(); ++it)
            out[it.key().toLower().toStdString()] = it.value().toString().toStdString();
    return out;
}

} // namespace moorfrost::test
