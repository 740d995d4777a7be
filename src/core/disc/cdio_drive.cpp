// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/cdio_drive.h"

#include <algorithm>
#include <cctype>
#include <cstdlib>
#include <set>

#include <cdio/cdio.h>
#include <cdio/disc.h>
#include <cdio/logging.h>
#include <cdio/paranoia/cdda.h>
#include <cdio/paranoia/paranoia.h>

#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

constexpr int32_t sessionGap = 11400; // sectors between the sound of a disc and data behind it
constexpr int retries = 5;            // of paranoia; who reads proves the sound by itself

std::string taken(char* text) {
    std::string out = text ? text : "";
    if (text)
        cdio_free(text);
    return out;
}

/// Digits and letters; the zeros that stand for none are none.
std::string codeFrom(const std::string& raw, size_t length) {
    std::string out;
    for (const char c : raw)
        if (std::isalnum(static_cast<unsigned char>(c)) != 0)
            out += c;
    return out.size() == length && out.find_first_not_of('0') != std::string::npos ? out : std::string();
}

/// What the sound of the drive is read by in this process, one at a time, as the hook knows no other way to
/// whom it belongs.
struct Hook {
    long (*read)(cdrom_drive_t*, void*, lsn_t, long) = nullptr;
    int32_t leadOut = 0;
    std::set<int32_t> failed; // sectors
};
thread_local Hook* hook = nullptr;

/// Reads for paranoia. Sectors that cannot be read are noted and given as silence: paranoia only tells where
/// damage begins. Nothing is asked for behind the end, where drives and images give what they gave before.
long readNoted(cdrom_drive_t* drive, void* to, lsn_t begin, long sectors) {
    if (!hook || begin >= hook->leadOut)
        return 0;
    sectors = std::min<long>(sectors, hook->leadOut - begin);
    auto* bytes = static_cast<char*>(to);
    if (hook->read(drive, to, begin, sectors) == sectors)
        return sectors;
    for (long i = 0; i < sectors; ++i) {
        char* one = bytes ? bytes + i * bytesPerSector : nullptr;
        if (hook->read(drive, one, static_cast<lsn_t>(begin + i), 1) == 1)
            continue;
        hook->failed.insert(static_cast<int32_t>(begin + i));
        if (one)
            std::fill_n(one, bytesPerSector, '\0');
    }
    return sectors;
}

/// What it says goes to the terminal; what is wrong is told by its results.
void beQuiet() {
    cdio_loglevel_default = CDIO_LOG_ASSERT;
}

} // namespace

std::vector<DriveName> drivesOfMachine() {
    beQuiet();
    std::vector<DriveName> out;
    char** devices = cdio_get_devices(DRIVER_DEVICE);
    for (char** d = devices; d && *d; ++d) {
        DriveName name{*d, {}};
        if (CdIo_t* cdio = cdio_open(*d, DRIVER_DEVICE)) {
            cdio_hwinfo_t info{};
            if (cdio_get_hwinfo(cdio, &info))
                name.name =
                    text::trim(std::string(info.psz_vendor)) + " " + text::trim(std::string(info.psz_model));
            cdio_destroy(cdio);
        }
        if (name.name.size() < 2)
            name.name = name.device.native();
        out.push_back(std::move(name));
    }
    cdio_free_device_list(devices);
    return out;
}

struct CdioDrive::State {
    Path device;
    CdIo_t* cdio = nullptr;
    cdrom_drive_t* drive = nullptr; // of the same, for sound; none until it is read
    Hook hook;

    ~State() {
        if (drive)
            cdio_cddap_close_no_free_cdio(drive);
        if (cdio)
            cdio_destroy(cdio);
    }
};

CdioDrive::CdioDrive(std::unique_ptr<State> state) : state_(std::move(state)) {}
CdioDrive::~CdioDrive() = default;

Result<std::unique_ptr<CdioDrive>> CdioDrive::open(const Path& device) {
    beQuiet();
    auto state = std::make_unique<State>();
    state->device = device;
    std::error_code error;
    const bool image = std::filesystem::is_regular_file(device, error);
    state->cdio = cdio_open(device.c_str(), image ? DRIVER_BINCUE : DRIVER_DEVICE);
    if (!state->cdio)
        return Error{ErrorKind::NotFound, device,
                     "There is no drive of this name, or you may not read it: " +
                         text::forDisplay(device.native()) + "."};
    return std::unique_ptr<CdioDrive>(new CdioDrive(std::move(state)));
}

std::string CdioDrive::name() const {
    cdio_hwinfo_t info{};
    if (cdio_get_hwinfo(state_->cdio, &info) && info.psz_model[0] != '\0')
        return text::trim(std::string(info.psz_vendor)) + " " + text::trim(std::string(info.psz_model)) +
               " " + text::trim(std::string(info.psz_revision));
    return text::forDisplay(state_->device.native());
}

Result<Toc> CdioDrive::toc() {
    CdIo_t* const cdio = state_->cdio;
    const track_t first = cdio_get_first_track_num(cdio), count = cdio_get_num_tracks(cdio);
    if (first == CDIO_INVALID_TRACK || count == CDIO_INVALID_TRACK || count < 1)
        return Error{ErrorKind::NotFound, state_->device,
                     "There is no disc in the drive, or none with sound."};
    Toc out;
    for (int i = 0; i < count && i < mostTracks; ++i) {
        const auto number = static_cast<track_t>(first + i);
        TocTrack t;
        t.number = number;
        t.audio = cdio_get_track_format(cdio, number) == TRACK_FORMAT_AUDIO;
        t.start = cdio_get_track_lsn(cdio, number);
        if (t.start == CDIO_INVALID_LSN || (!out.tracks.empty() && t.start <= out.tracks.back().start))
            return Error{ErrorKind::Damaged, state_->device, "The table of this disc makes no sense."};
        const lsn_t pause = cdio_get_track_pregap_lsn(cdio, number);
        if (pause != CDIO_INVALID_LSN && pause >= 0 && pause < t.start &&
            (out.tracks.empty() || pause > out.tracks.back().start))
            t.gap = t.start - pause;
        t.preEmphasis = cdio_get_track_preemphasis(cdio, number) == CDIO_TRACK_FLAG_TRUE;
        t.copyPermitted = cdio_get_track_copy_permit(cdio, number) == CDIO_TRACK_FLAG_TRUE;
        t.isrc = t.audio ? codeFrom(taken(cdio_get_track_isrc(cdio, number)), 12) : std::string();
        out.tracks.push_back(std::move(t));
    }
    out.leadOut = cdio_get_track_lsn(cdio, CDIO_CDROM_LEADOUT_TRACK);
    if (out.leadOut <= out.tracks.back().start || out.leadOut > mostSectors)
        return Error{ErrorKind::Damaged, state_->device, "The table of this disc makes no sense."};
    for (size_t i = 0; i < out.tracks.size(); ++i) {
        TocTrack& t = out.tracks[i];
        const TocTrack* next = i + 1 < out.tracks.size() ? &out.tracks[i + 1] : nullptr;
        t.length = (next ? next->start - next->gap : out.leadOut) - t.start;
        if (t.audio && next && !next->audio && t.length > sessionGap)
            t.length -= sessionGap;
    }
    out.mediaNumber = codeFrom(taken(cdio_get_mcn(cdio)), 13);
    return out;
}

Result<CdText> CdioDrive::text() {
    uint8_t* raw = cdio_get_cdtext_raw(state_->cdio);
    if (!raw)
        return CdText{};
    // Its length without itself, with two bytes of the header behind it.
    const size_t length = static_cast<size_t>(raw[0]) << 8 | raw[1];
    std::string packs;
    if (length > 2)
        packs.assign(reinterpret_cast<const char*>(raw) + 4, length - 2);
    cdio_free(raw);
    return decodeCdText(packs);
}

Result<std::string> CdioDrive::read(int32_t sector, int count) {
    if (!state_->drive) {
        state_->drive = cdio_cddap_identify_cdio(state_->cdio, CDDA_MESSAGE_FORGETIT, nullptr);
        // Else the order of bytes is guessed by how the sound looks; drives give the lower one first.
        if (state_->drive)
            state_->drive->bigendianp = 0;
        if (!state_->drive || cdio_cddap_open(state_->drive) != 0)
            return Error{ErrorKind::NotFound, state_->device, "There is no disc in the drive any more."};
        cdio_cddap_verbose_set(state_->drive, CDDA_MESSAGE_FORGETIT, CDDA_MESSAGE_FORGETIT);
        state_->hook.read = state_->drive->read_audio;
        state_->hook.leadOut = cdio_get_track_lsn(state_->cdio, CDIO_CDROM_LEADOUT_TRACK);
        state_->drive->read_audio = readNoted;
    }
    if (sector < 0 || count < 1 || sector + count > state_->hook.leadOut)
        return Error{ErrorKind::Invalid, {}, "These sectors are not on the disc."};
    hook = &state_->hook;
    state_->hook.failed.clear();
    // Another each time: what it keeps of earlier readings would make two readings one.
    cdrom_paranoia_t* paranoia = cdio_paranoia_init(state_->drive);
    cdio_paranoia_modeset(paranoia, PARANOIA_MODE_FULL ^ PARANOIA_MODE_NEVERSKIP);
    cdio_paranoia_seek(paranoia, sector, SEEK_SET);
    std::string out;
    out.reserve(static_cast<size_t>(count) * bytesPerSector);
    bool ended = false;
    for (int i = 0; i < count && !ended; ++i) {
        const int16_t* samples = cdio_paranoia_read_limited(paranoia, nullptr, retries);
        ended = samples == nullptr;
        for (int s = 0; samples && s < bytesPerSector / 2; ++s) {
            out += static_cast<char>(samples[s] & 255);
            out += static_cast<char>(samples[s] >> 8 & 255);
        }
    }
    cdio_paranoia_free(paranoia);
    hook = nullptr;
    const auto bad = state_->hook.failed.lower_bound(sector);
    const bool damaged = bad != state_->hook.failed.end() && *bad < sector + count;
    if (damaged && count == 1 && cdio_get_media_changed(state_->cdio) > 0)
        return Error{ErrorKind::NotFound, state_->device, "There is no disc in the drive any more."};
    if (damaged || ended)
        return Error{ErrorKind::Damaged, {}, "A sector cannot be read."};
    return out;
}

Status CdioDrive::eject() {
    if (state_->drive)
        cdio_cddap_close_no_free_cdio(state_->drive);
    state_->drive = nullptr;
    const driver_return_code_t code = cdio_eject_media(&state_->cdio); // on success it is freed
    if (code != DRIVER_OP_SUCCESS)
        return Error{ErrorKind::Io, state_->device, "The drive could not be opened."};
    state_->cdio = nullptr;
    return Done{};
}

} // namespace moorfrost::disc
