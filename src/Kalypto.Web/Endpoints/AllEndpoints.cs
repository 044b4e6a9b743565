using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Every route but the pages, and which door it goes through.</summary>
internal static class AllEndpoints
{
    private const string Project = "/api/projects/{project:int}";

    public static void MapKalypto(this IEndpointRouteBuilder app)
    {
        app.MapProjects();
        app.MapKeyed();
        app.MapRecipeFiles();
        app.MapLibrary();
        app.MapAccounts();
        app.MapServerPeople();

        var pictures = app.MapGroup("/pictures/{project:int}").OfProject();
        pictures.MapPictures();
        pictures.MapPlatePictures();
        var files = app.MapGroup("/projects/{project:int}").OfProject();
        files.MapFiles();
        files.MapDevices();
        files.MapDeliveredPages();
        app.MapGroup("/projects/{project:int}").InProject().MapPageFiles();

        var number = app.Edits(Project).OfProject();
        number.MapProject();
        number.MapHistory();
        number.MapEvents();
        number.MapBuilds();
        number.MapDeliveries();
        number.MapPlates();
        number.MapTeam();
        number.MapQuestions();

        var project = app.Edits(Project).InProject();
        project.MapPlatforms();
        project.MapDesigns();
        project.MapDrafts();
        project.MapScreens();
        project.MapBench();
        project.MapSorting();
        project.MapChecks();
        project.MapPack();
        project.MapRecipes();
        project.MapCloser();
        project.MapPlaces();
        project.MapTaking();
        project.MapFonts();
        project.MapTokens();
        project.MapPages();
    }
}
