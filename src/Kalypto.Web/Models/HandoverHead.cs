using Kalypto.Application.Handover;

namespace Kalypto.Web.Models;

/// <summary>What all pages of a delivery's handover share.</summary>
/// <param name="Project">The number of the project.</param>
/// <param name="ProjectName">Its name.</param>
/// <param name="Number">The delivery.</param>
/// <param name="Build">The build that it is.</param>
/// <param name="Line">What it is for.</param>
/// <param name="Made">When and by whom.</param>
/// <param name="Newest">The number of a newer delivery; null when this one is the newest.</param>
/// <param name="Screens">The screens that have a plate: their names and addresses.</param>
public sealed record HandoverHead(int Project, string ProjectName, int Number, int Build, string Line, string Made, int? Newest, IReadOnlyList<(string Name, string Href)> Screens)
{
    /// <summary>Puts it together.</summary>
    public static HandoverHead Of(Delivered delivered, int newest)
    {
        var (row, workspace) = (delivered.Row, delivered.Workspace);
        var number = row.Number ?? 0;
        return new(row.ProjectId, workspace.Row.Name, number, row.Id, row.Line, DeliveryModel.MadeOf(row), newest > number ? newest : null,
            [.. workspace.Designs.SelectMany(d => d.State.Measured.Drawing.Screens.Select(s => (s.Name, Plate(row.ProjectId, number, d.Row.Id, s.Root.Ordinal))))]);
    }

    /// <summary>The same screens on a device: their names and addresses.</summary>
    public IReadOnlyList<(string Name, string Href)> Devices => [.. Screens.Select(s => (s.Name, s.Href.Replace("/plates/", "/device/", StringComparison.Ordinal)))];

    /// <summary>The address of a screen on a device.</summary>
    public static string Device(int project, int number, int design, int root) => $"/projects/{project}/deliveries/{number}/device/{design}/{root}";

    /// <summary>The address of a screen as a page.</summary>
    public static string Page(int project, int number, int design, int root) => $"/projects/{project}/deliveries/{number}/page/{design}/{root}/clean/";

    /// <summary>The address of a plate.</summary>
    public static string Plate(int project, int number, int design, int root) => $"/projects/{project}/deliveries/{number}/plates/{design}/{root}";

    /// <summary>The address of a place in this handover.</summary>
    public string Href(string place) => $"/projects/{Project}/deliveries/{Number}{place}";
}
