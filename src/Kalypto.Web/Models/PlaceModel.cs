using Kalypto.Core.Platforms;
using Kalypto.Store;

namespace Kalypto.Web.Models;

/// <summary>A place on the deliveries page.</summary>
public sealed record PlaceModel(int Id, string Folder, string Platform, int Delivery, bool Follows, string WaitsFor)
{
    /// <summary>Makes it out of a row of the store.</summary>
    public static PlaceModel Of(PlaceRow row) => new(row.Id, row.Folder, AllPlatforms.List.FirstOrDefault(p => p.Id == row.Platform)?.Name ?? row.Platform, row.Delivery, row.Follows, row.WaitsFor);
}
