using Kalypto.Application.Building;
using Kalypto.Core.Comparing;
using Kalypto.Core.Formats;
using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A delivery beside another one.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Build">The build that it is.</param>
/// <param name="Line">What it is for.</param>
/// <param name="Made">When and by whom.</param>
/// <param name="Part">What of the pack it is of; empty for all.</param>
/// <param name="Against">The number of the one that it is compared with; null for none.</param>
/// <param name="AgainstBuild">That build.</param>
/// <param name="AgainstLine">What that was for.</param>
/// <param name="Numbers">All deliveries of the project, newest first.</param>
/// <param name="Sum">Files and weight in words.</param>
/// <param name="Delta">The weight of what is different, in words.</param>
/// <param name="Files">Every file of either.</param>
public sealed record DeliveryModel(
    int Number, int Build, string Line, string Made, string Part, int? Against, int? AgainstBuild, string AgainstLine, IReadOnlyList<int> Numbers, string Sum, string Delta, IReadOnlyList<DeliveryFile> Files)
{
    /// <summary>Puts it together.</summary>
    public static DeliveryModel Of(Deliveries.Compared compared, IReadOnlyList<BuildRow> all)
    {
        var (to, from, changes) = compared;
        return new(to.Number ?? 0, to.Id, to.Line, MadeOf(to), to.Part, from?.Number, from?.Id, from?.Line ?? "", [.. all.Select(d => d.Number ?? 0)],
            $"{Words.Count(to.Files, "file")} · {Words.Weight((to.Weight, false))}", Words.Weight((changes.Different.Sum(c => c.New?.Bytes ?? 0), false)), [.. changes.Files.Select(c => FileOf(c, to, from))]);
    }

    /// <summary>When a delivery was made and by whom.</summary>
    public static string MadeOf(BuildRow row) =>
        row.StartedAt.ToString("d MMM yyyy, HH:mm", System.Globalization.CultureInfo.InvariantCulture) + " UTC" + (row.MadeBy.Length > 0 ? $" · {row.MadeBy}" : "");

    private static DeliveryFile FileOf(FileChange change, BuildRow to, BuildRow? from)
    {
        var file = change.File;
        return new(file.Identity, file.Path, change.Old is { } old && change.New is not null && old.Path != file.Path ? old.Path : null,
            AllPlatforms.List.FirstOrDefault(p => p.Id == file.Platform)?.Name ?? file.Platform, file.Kind, file.Layer, file.Screen,
            file.Width > 0 ? $"{file.Width}×{file.Height}" : "", Words.Weight((file.Bytes, false)),
            [.. new[] { ("new", change.IsNew && from is not null), ("gone", change.IsGone), ("changed", change.IsChanged), ("renamed", change.IsRenamed), ("moved", change.IsMoved) }.Where(w => w.Item2).Select(w => w.Item1)],
            change.IsChanged && change.Heavier != 0 ? $"{Words.Weight((Math.Abs(change.Heavier), false))} {(change.Heavier > 0 ? "heavier" : "lighter")}" : "",
            change.Old is { } before && from is not null ? AddressOf(from, before) : null, change.New is { } now ? AddressOf(to, now) : null);
    }

    // Only what every browser shows as a picture.
    private static string? AddressOf(BuildRow build, DeliveredFile file) =>
        Format.All.FirstOrDefault(f => file.Path.EndsWith(f.Extension, StringComparison.OrdinalIgnoreCase)) is { BrowsersShow: true } ? $"/projects/{build.ProjectId}/builds/{build.Id}/file?path={Uri.EscapeDataString(file.Path)}" : null;
}
