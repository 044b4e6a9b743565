using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Every route but the pages, and whom each is for. A route that is for others than its group says it itself.</summary>
internal static class AllEndpoints
{
    private const string Project = "/api/projects/{project:int}";
    private const string Pictures = "/pictures/{project:int}";
    private const string Files = "/projects/{project:int}";

    public static void MapKalypto(this IEndpointRouteBuilder app)
    {
        app.MapProjects();
        app.MapRecipeFiles();
        app.MapLibrary();
        app.MapAccounts();
        app.MapServerPeople();
        app.MapAudit();

        app.MapGroup(Pictures).OfProject().For(Need.Designer).MapPictures();
        app.MapGroup(Pictures).OfProject().For(Need.Guest).MapPlatePictures();
        app.MapGroup(Files).OfProject().For(Need.Developer).MapFiles();
        var looked = app.MapGroup(Files).OfProject().For(Need.Guest);
        looked.MapDevices();
        looked.MapDeliveredPages();
        app.MapGroup(Files).InProject().For(Need.Designer).MapPageFiles();

        var guests = app.Edits(Project).OfProject().For(Need.Guest);
        guests.MapPlates();
        guests.MapQuestions();
        var developers = app.Edits(Project).OfProject().For(Need.Developer);
        developers.MapEvents();
        developers.MapBuilds();
        developers.MapDeliveries();
        var designers = app.Edits(Project).OfProject().For(Need.Designer);
        designers.MapProject();
        designers.MapHistory();
        designers.MapInbox();
        app.Edits(Project).OfProject().For(Need.Owner).MapTeam();

        var project = app.Edits(Project).InProject().For(Need.Designer);
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
