using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>A build on the deliveries page.</summary>
public sealed record BuildModel(int Id, string State, int Total, int Done, int Drawn, string? Message, int Files, string Weight, string StartedAt, string? Zip, string Part)
{
    /// <summary>Makes it out of a row of the store.</summary>
    public static BuildModel Of(BuildRow row) => new(
        row.Id, row.State, row.Total, row.Done, row.Drawn, row.Message, row.Files, Words.Weight((row.Weight, false)),
        row.StartedAt.ToString("d MMM yyyy, HH:mm", System.Globalization.CultureInfo.InvariantCulture) + " UTC", row.State != "done" ? null : $"/builds/{row.Id}.zip", row.Part);
}
