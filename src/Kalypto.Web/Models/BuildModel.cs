using Kalypto.Core.Platforms;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A build on the deliveries page.</summary>
public sealed record BuildModel(
    int Id, int? Number, string Line, string State, int Total, int Done, int Drawn, string? Message, int Files, long Bytes, string Weight, string Made, string? Zip, string Part, IReadOnlyList<BuildShare> Shares, int ProofsLeft)
{
    /// <summary>Makes it out of a row of the store.</summary>
    /// <param name="row">The build.</param>
    /// <param name="sums">Files and weights of the deliveries of the project.</param>
    public static BuildModel Of(BuildRow row, ILookup<int, (int Number, string Platform, string Kind, int Files, long Bytes)> sums) => new(
        row.Id, row.Number, row.Line, row.State, row.Total, row.Done, row.Drawn, row.Message, row.Files, row.Weight, Words.Weight((row.Weight, false)), DeliveryModel.MadeOf(row),
        row.State != "done" ? null : $"/projects/{row.ProjectId}/builds/{row.Id}.zip", row.Part, row.Number is { } number ? [.. sums[number].Select(s => new BuildShare(
            AllPlatforms.List.FirstOrDefault(p => p.Id == s.Platform)?.Name ?? "the pack", s.Kind.Length > 0 ? s.Kind : "beside", s.Files, s.Bytes, Words.Weight((s.Bytes, false))))] : [], row.ProofsLeft);
}
