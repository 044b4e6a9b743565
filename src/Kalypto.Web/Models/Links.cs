using Kalypto.Application.Opening;
using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Models;

/// <summary>Addresses of what people jump to.</summary>
internal static class Links
{
    /// <summary>The bench of a screen.</summary>
    public static string Bench(int project, int design, int root) => $"/projects/{project}/bench/{design}/{root}";

    /// <summary>The picture of a screen.</summary>
    /// <param name="project">The project.</param>
    /// <param name="design">The design.</param>
    /// <param name="root">The layer that stands for it.</param>
    /// <param name="key">Another one whenever the picture is another.</param>
    public static string ScreenPicture(int project, int design, int root, string key) => $"/pictures/{project}/{design}/screen/{root}.png?k={key}";

    /// <summary>The picture of a layer.</summary>
    /// <param name="project">The project.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="key">Another one whenever the picture is another.</param>
    public static string LayerPicture(int project, LayerRef layer, string key) => $"/pictures/{project}/{layer.Design}/layer/{layer.Ordinal}.png?k={key}";

    /// <summary>The content of a file that is drawn.</summary>
    /// <param name="project">The project whose page shows it.</param>
    /// <param name="key">What it is found by.</param>
    /// <param name="format">Its format.</param>
    public static string File(int project, string key, Format format) => $"/pictures/{project}/files/{key}{format.Extension}?s={PictureSeal.Of(project, key)}";

    /// <summary>The picture that marks where the two engines differ.</summary>
    public static string Marks(int project, string key) => $"/pictures/{project}/proofs/{key}.png?s={PictureSeal.Of(project, key)}";

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
