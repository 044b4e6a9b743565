using Kalypto.Application.Opening;
using Kalypto.Core.Comparing;

namespace Kalypto.Application.Packs;

/// <summary>The files of a planned pack as the next delivery will name them.</summary>
public static class FilesToCome
{
    /// <summary>The files in the order of the pack, without content and weight.</summary>
    public static IEnumerable<DeliveredFile> Of(Workspace workspace, PlannedPack plan) =>
        plan.Pack.Files.Zip(FileIdentity.Of(plan.Pack.Files, layer => workspace.FindDesign(layer.Design)!.Value.Row.Lineages.Of(layer.Ordinal)))
            .Select(f => new DeliveredFile(f.Second, f.First.Path, "", 0) { Platform = f.First.Platform, Kind = f.First.Picture.Making.Kind, Layer = f.First.Picture.LayerName, Screen = f.First.Picture.ScreenName });
}
