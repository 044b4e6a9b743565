using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Addresses of what people jump to.</summary>
internal static class Links
{
    /// <summary>The content of a file that is drawn.</summary>
    public static string File(PlannedFile file) => $"/pictures/files/{file.Key.Hex}{file.Format.Extension}";

    /// <summary>The row of a layer on the bench of its screen; the screens when it is on none.</summary>
    public static string Layer(Workspace workspace, LayerRef layer)
    {
        var project = workspace.Row.Id;
        if (workspace.FindLayer(layer.Design, layer.Ordinal) is not var (_, state, node))
        {
            return $"/projects/{project}";
        }
        // The drawing as a whole is met on its first screen.
        var screen = state.Measured.ScreenOf(node) ?? (layer.Ordinal == 0 ? state.Measured.Drawing.Screens[0] : null);
        return screen is null ? $"/projects/{project}/designs/{layer.Design}/screens" : $"/projects/{project}/bench/{layer.Design}/{screen.Root.Ordinal}#layer-{layer.Ordinal}";
    }
}
