// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Scenes by lot: those of the three sets with other bodies, clothes, cameras, paces and ranges.

#include "base/json.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <random>

namespace deft::test {

class Lot {
public:
    explicit Lot(unsigned seed) : random_(seed) {
        for (const char* set : {".", "second", "loose"}) {
            const std::filesystem::path folder = std::filesystem::path(DEFT_TEST_DATA "/accuracy") / set;
            const Json cases = readJsonFile(folder / "cases.json").value();
            for (const Json& c : cases)
                known_.push_back(
                    {readJsonFile(folder / "scenes" / (c.at("clip").get<std::string>() + ".json")).value(), c});
        }
    }
    struct Drawn {
        Json scene, listed; ///< listed: its entry of cases.json
    };
    /// One person in seven wears stickers, half of the others loose clothes. @param number becomes part of its name
    Drawn draw(int number) {
        Drawn d = known_[size_t(between(0, double(known_.size()) - 1e-9))];
        Json& s = d.scene;
        s["head"] = chance(0.5) ? "left" : "right";
        s["mat"] = colour();
        Json& person = s["person"];
        const bool stickers = chance(1 / 7.0), loose = !stickers && chance(0.5);
        person = {{"height_m", rounded(between(1.5, 1.95), 2)},
                  {"stickers", stickers},
                  {"loose", loose ? rounded(between(0.5, 2), 2) : 0},
                  {"skin", skin()},
                  {"shirt", colour()},
                  {"leggings", colour()},
                  {"hair", colour()}};
        Json& camera = s["camera"];
        const int width = int(camera.value("width", 1280));
        const double size = std::vector<double>{0.75, 1, 1, 1.25}[size_t(between(0, 3.999))];
        const double nearer = between(0.9, 1.02) * 1.7 / std::max(1.7, person["height_m"].get<double>());
        camera["focal_px"] = camera.value("focal_px", 1700.0) * size * nearer;
        camera["height"] = 4 * int(camera.value("height", 720) * size / 4), camera["width"] = 4 * int(width * size / 4);
        camera["yaw_deg"] = camera.value("yaw_deg", 0.0) + rounded(between(-7, 7), 1);
        camera["roll_deg"] = rounded(between(-2.5, 2.5), 1);
        Json& film = s["film"];
        const double slower = between(0.85, 1.3), farther = between(0.8, 1.1);
        film["duration_s"] = std::min(20.0, film.value("duration_s", 8.0)) * slower;
        film["fps"] = std::vector<double>{24, 25, 30, 30, 50}[size_t(between(0, 4.999))];
        film["seed"] = int(between(1, 9999));
        film["mirrored"] = chance(1 / 3.0);
        film["grain"] = rounded(between(0.004, 0.02), 3);
        film["exposure"] = chance(0.3) ? rounded(between(0.35, 0.8), 2) : 1;
        film["shake_px"] = chance(0.5) ? rounded(between(0.3, 2.5), 1) : 0;
        film["shutter"] = chance(0.5) ? rounded(between(0.2, 0.8), 1) : 0;
        for (auto& [curve, keys] : s["movement"].items())
            for (Json& key : keys) key = {key[0].get<double>() * slower, key[1].get<double>() * farther};
        if (s.contains("covers")) s.erase("covers");
        const std::string name = d.listed.at("clip").get<std::string>() + "-" + std::to_string(number);
        d.listed["clip"] = name;
        d.listed["title"] = name + (stickers ? ", stickers" : loose ? ", loose" : ", close-fitting");
        return d;
    }

private:
    double between(double a, double b) { return std::uniform_real_distribution<double>(a, b)(random_); }
    bool chance(double share) { return between(0, 1) < share; }
    std::string colour(int from = 30, int to = 220) {
        char text[8];
        const auto c = [&] { return unsigned(between(from, to)); };
        const unsigned red = c(), green = c(), blue = c();
        std::snprintf(text, sizeof text, "#%02x%02x%02x", red, green, blue);
        return text;
    }
    std::string skin() {
        static const std::vector<std::string> all = {"#f0d0b8", "#e8c3a8", "#c98f6b", "#a8714c", "#8a5a3c", "#5a3a28"};
        return all[size_t(between(0, double(all.size()) - 1e-9))];
    }

    std::mt19937 random_;
    std::vector<Drawn> known_;
};

} // namespace deft::test
