using Kalypto.Core.Placing;
using Kalypto.Core.Platforms;
using Kalypto.Store;

namespace Kalypto.Web.Models;

/// <summary>A place on the deliveries page.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Folder">The folder, absolute.</param>
/// <param name="Platform">The name of the platform whose files alone go there; empty for the whole pack.</param>
/// <param name="Delivery">The number of the delivery that lies there; 0 for none.</param>
/// <param name="Follows">True when each change is delivered there by itself.</param>
/// <param name="WaitsFor">What following waits for; empty for nothing.</param>
/// <param name="Seen">The moves that wait for a yes, as they are agreed to.</param>
/// <param name="Moves">The same, to be shown.</param>
public sealed record PlaceModel(int Id, string Folder, string Platform, int Delivery, bool Follows, string WaitsFor, string Seen, IReadOnlyList<FolderMove> Moves)
{
    /// <summary>Makes it out of a row of the store.</summary>
    public static PlaceModel Of(PlaceRow row) => new(row.Id, row.Folder, AllPlatforms.List.FirstOrDefault(p => p.Id == row.Platform)?.Name ?? row.Platform, row.Delivery, row.Follows, row.WaitsFor, row.Moves, FolderMove.Read(row.Moves));
}
