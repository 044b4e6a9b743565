using Microsoft.AspNetCore.Mvc.ApplicationModels;

namespace Kalypto.Web.Doors;

/// <summary>Says of every page below <c>/projects/{project}</c> that it lies in a project.</summary>
internal static class PageDoors
{
    public static void Open(PageApplicationModel page)
    {
        if (page.RouteTemplate?.Contains("{project:int}", StringComparison.Ordinal) == true)
        {
            page.EndpointMetadata.Add(new ProjectScope());
        }
    }
}
